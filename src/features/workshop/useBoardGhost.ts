import { useMemo, useState } from 'react';
import type { Point } from '@/core/geometry';
import { attach, type FreeStretch, type Ghost } from '@/core/workshop';
import { centredAt } from './boardMiddle';
import type { Workshop } from './useWorkshop';

/** How near to an edge the pointer must come for a paper to attach, screen points. */
const ATTACH_POINTS = 70;

/** The paper in the hand as it would lie, and the edge that it would be attached to. */
export interface Shown {
  readonly ghost: Ghost;
  readonly stretch?: FreeStretch;
}

/** Where the paper in the hand would lie: at the edge chosen by key, or else at the one under the pointer. */
export function useBoardGhost(shop: Workshop, mmOf: (points: number) => number) {
  const { board, patches, tool, paper, turn, isTurnedOver, isForced } = shop;
  const [edgeNumber, setEdgeNumber] = useState<number | undefined>();
  const [hover, setHover] = useState<Point | undefined>();
  const free = useMemo(() => (tool === 'place' ? board.allFree() : []), [board, tool]);
  const shown = useMemo((): Shown | undefined => {
    if (tool !== 'place' || !paper) return undefined;
    const wish = { turn, isTurnedOver, isForced };
    const chosen = edgeNumber === undefined ? undefined : free[edgeNumber % Math.max(1, free.length)];
    const stretch = chosen ?? (hover && board.nearestFree(hover, mmOf(ATTACH_POINTS)));
    if (stretch) return { ghost: attach(board, paper.outline, stretch, wish), stretch };
    if (!hover && patches.length > 0) return undefined;
    // Away from every edge, and for the first paper of all, it lies where the pointer is.
    const outline = centredAt(paper.outline, patches.length === 0 ? { x: 0, y: 0 } : (hover as Point));
    const covers = board.covered(outline, 0).map(({ patch }) => patch);
    return { ghost: { kind: 'fits', outline, ways: 1, covers, mismatchMm: 0 } };
  }, [tool, paper, turn, isTurnedOver, isForced, edgeNumber, free, hover, board, patches.length, mmOf]);

  const placeShown = () => {
    if (!paper) return shop.setSaid('Take a paper from the tray first.');
    const ghost = shown?.ghost;
    if (!ghost) return shop.setSaid('Point at an edge, or go to one with the arrow keys.');
    if (ghost.kind === 'no-match')
      return shop.setSaid(
        'No edge of this paper is as long as that one. Turn on “Force” to lay them together all the same.',
      );
    if (ghost.covers.length > 0) {
      const numbers = ghost.covers.map((index) => index + 1).join(', ');
      return shop.setSaid(`It would lie on ${numbers}. Turn it, or choose another edge.`);
    }
    shop.place(ghost.outline);
  };

  const goToEdge = (by: number) => {
    if (free.length === 0) return;
    const next = ((edgeNumber ?? (by > 0 ? -1 : 0)) + by + free.length) % free.length;
    setEdgeNumber(next);
    const stretch = free[next];
    if (stretch) shop.setSaid(`Edge ${next + 1} of ${free.length}, on paper ${stretch.patch + 1}.`);
  };
  const pointAt = (at: Point | undefined) => {
    if (at && tool === 'place') setEdgeNumber(undefined);
    if (!at || tool === 'place') setHover(at);
  };
  return { shown, placeShown, goToEdge, pointAt };
}
