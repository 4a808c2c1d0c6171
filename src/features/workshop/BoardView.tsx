'use client';
import Box from '@mui/material/Box';
import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { boxOfPoints, type Point } from '@/core/geometry';
import { MM_PER_INCH, type UnitSystem } from '@/core/length';
import { attach, snapMove, type FreeStretch, type Ghost, type LiveReport } from '@/core/workshop';
import { SwatchPatterns } from '@/ui/swatches';
import { BoardOverlay } from './BoardOverlay';
import { BoardPatches } from './BoardPatches';
import { useBoardZoom } from './useBoardZoom';
import { centredAt, type Workshop } from './useWorkshop';

interface BoardViewProps {
  readonly shop: Workshop;
  readonly report: LiveReport | undefined;
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
  readonly marks: readonly { readonly at: Point; readonly label: string }[];
  /** A place to bring into view. */
  readonly look?: Point;
}

/** How near to an edge the pointer must come for a paper to attach, screen points. */
const ATTACH_POINTS = 70;
/** How near a dragged edge must come to be pulled, screen points. */
const PULL_POINTS = 14;
/** A press that moves less than this is a tap, screen points. */
const TAP_POINTS = 5;
/** Board round the papers that is shown before there are any, mm. */
const BARE_MM = 160;

interface Shown {
  readonly ghost: Ghost;
  readonly stretch?: FreeStretch;
}

/**
 * The board on which a block is built. By mouse, by touch, and by keys: every key has a button above it. What is done
 * is said in a line that screen readers follow.
 */
export function BoardView({ shop, report, fabrics, system, marks, look }: BoardViewProps) {
  const { board, patches, tool, paper, turn, isTurnedOver, isForced, pickedIds } = shop;
  const prefix = `ws${useId().replace(/[^a-zA-Z0-9]/g, '')}`;
  const [focused, setFocused] = useState<number | undefined>();
  const [edgeNumber, setEdgeNumber] = useState<number | undefined>();
  const [hover, setHover] = useState<Point | undefined>();
  const [drag, setDrag] = useState<Point | undefined>();
  const [marquee, setMarquee] = useState<{ from: Point; to: Point } | undefined>();
  const press = useRef<{
    id: number;
    from: Point;
    clientX: number;
    clientY: number;
    kind: 'tap' | 'drag' | 'marquee';
  } | null>(null);

  const isEdit = (event: Event, locate: (clientX: number, clientY: number) => Point) => {
    const mouse = event instanceof MouseEvent ? event : undefined;
    const touches = 'touches' in event ? (event as TouchEvent).touches : undefined;
    if (touches && touches.length > 1) return false;
    if (mouse?.shiftKey && tool === 'pick') return true;
    if (tool !== 'pick') return false;
    const at = mouse ?? touches?.[0];
    if (!at) return false;
    const under = board.patchAt(locate(at.clientX, at.clientY));
    if (under === undefined) return false;
    // A finger moves the board unless what it presses is picked already.
    return mouse !== undefined || pickedIds.has(patches[under]?.id ?? '');
  };
  const { frameRef, svgRef, groupRef, fit, zoomBy, toBoard, mmOf } = useBoardZoom(isEdit);

  const box = useMemo(
    () =>
      patches.length === 0
        ? { minX: -BARE_MM / 2, minY: -BARE_MM / 2, maxX: BARE_MM / 2, maxY: BARE_MM / 2 }
        : boxOfPoints(patches.flatMap(({ outline }) => outline.corners)),
    [patches],
  );
  const atStart = useRef(box);
  useEffect(() => fit(atStart.current), [fit]);
  useEffect(() => {
    if (look) fit({ minX: look.x - 60, minY: look.y - 60, maxX: look.x + 60, maxY: look.y + 60 });
  }, [look, fit]);

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

  const tap = (at: Point, isMore: boolean) => {
    if (tool === 'place') return placeShown();
    if (tool === 'centre') {
      const point = board.nearestPoint(at, mmOf(40)) ?? at;
      shop.setCentre(point);
      shop.setTool('pick');
      return shop.setSaid('The centre is set: turning and filling go round it.');
    }
    const under = board.patchAt(at);
    if (tool === 'paint') {
      if (under === undefined) return;
      return shop.paintOne(under);
    }
    if (under === undefined) shop.pickIds([]);
    else shop.pick([under], isMore);
  };

  const onPointerDown = (event: PointerEvent<HTMLDivElement>) => {
    if (event.button !== 0) return;
    const at = toBoard(event.clientX, event.clientY);
    // A finger comes without hovering first.
    if (tool === 'place') {
      setEdgeNumber(undefined);
      setHover(at);
    }
    const under = tool === 'pick' ? board.patchAt(at) : undefined;
    const isMouse = event.pointerType === 'mouse';
    const isPicked = under !== undefined && pickedIds.has(patches[under]?.id ?? '');
    const kind =
      tool !== 'pick'
        ? 'tap'
        : event.shiftKey && isMouse
          ? 'marquee'
          : under !== undefined && (isMouse || isPicked)
            ? 'drag'
            : 'tap';
    press.current = { id: event.pointerId, from: at, clientX: event.clientX, clientY: event.clientY, kind };
    if (kind !== 'tap') event.currentTarget.setPointerCapture(event.pointerId);
  };
  const onPointerMove = (event: PointerEvent<HTMLDivElement>) => {
    const at = toBoard(event.clientX, event.clientY);
    if (tool === 'place') {
      setEdgeNumber(undefined);
      setHover(at);
    }
    const own = press.current;
    if (!own || own.id !== event.pointerId || own.kind === 'tap') return;
    const moved = Math.hypot(event.clientX - own.clientX, event.clientY - own.clientY);
    if (moved < TAP_POINTS && !drag && !marquee) return;
    if (own.kind === 'marquee') return setMarquee({ from: own.from, to: at });
    const under = board.patchAt(own.from);
    let moving = shop.picked;
    if (under !== undefined && !pickedIds.has(patches[under]?.id ?? '')) {
      shop.pick([under]);
      moving = [under];
    }
    const by = { x: at.x - own.from.x, y: at.y - own.from.y };
    const pull = event.altKey ? undefined : snapMove(board, moving, by, mmOf(PULL_POINTS));
    setDrag(pull ? { x: by.x + pull.x, y: by.y + pull.y } : by);
  };
  const onPointerUp = (event: PointerEvent<HTMLDivElement>) => {
    const own = press.current;
    press.current = null;
    if (!own || own.id !== event.pointerId) return;
    if (marquee) {
      const { from, to } = marquee;
      shop.pick(
        board.patchesIn(
          Math.min(from.x, to.x),
          Math.min(from.y, to.y),
          Math.max(from.x, to.x),
          Math.max(from.y, to.y),
        ),
      );
      return setMarquee(undefined);
    }
    if (drag) {
      shop.move(drag);
      return setDrag(undefined);
    }
    const moved = Math.hypot(event.clientX - own.clientX, event.clientY - own.clientY);
    if (moved < TAP_POINTS) tap(own.from, event.shiftKey || event.ctrlKey || event.metaKey);
  };
  const drop = () => {
    press.current = null;
    setDrag(undefined);
    setMarquee(undefined);
  };

  const goToEdge = (by: number) => {
    if (free.length === 0) return;
    const next = ((edgeNumber ?? (by > 0 ? -1 : 0)) + by + free.length) % free.length;
    setEdgeNumber(next);
    const stretch = free[next];
    if (stretch) shop.setSaid(`Edge ${next + 1} of ${free.length}, on paper ${stretch.patch + 1}.`);
  };
  const goToPatch = (by: number) => {
    if (patches.length === 0) return;
    const next = ((focused ?? (by > 0 ? -1 : 0)) + by + patches.length) % patches.length;
    setFocused(next);
    const { id, fabric } = patches[next] ?? {};
    const kind = report?.kindNames[report.kindOf[next] ?? 0] ?? 'paper';
    shop.setSaid(
      `Paper ${next + 1} (${id}): ${kind}, ${fabric}${pickedIds.has(id ?? '') ? ', picked' : ''}.`,
    );
  };
  const step = system === 'inch' ? MM_PER_INCH / 16 : 1;
  const onKeyDown = (event: KeyboardEvent) => {
    const { key, altKey, ctrlKey, metaKey, shiftKey } = event;
    if (ctrlKey || metaKey) return;
    const arrows: Readonly<Record<string, Point>> = {
      ArrowLeft: { x: -1, y: 0 },
      ArrowRight: { x: 1, y: 0 },
      ArrowUp: { x: 0, y: -1 },
      ArrowDown: { x: 0, y: 1 },
    };
    const arrow = arrows[key];
    const act = (): void => {
      if (arrow && altKey)
        return shop.nudge({
          x: arrow.x * step * (shiftKey ? 10 : 1),
          y: arrow.y * step * (shiftKey ? 10 : 1),
        });
      if (arrow && tool === 'place') return goToEdge(arrow.x + arrow.y);
      if (arrow) return goToPatch(arrow.x + arrow.y);
      if (key === 'Enter' && tool === 'place') return placeShown();
      if ((key === 'Enter' || key === ' ') && focused !== undefined) {
        if (tool === 'paint') return shop.paintOne(focused);
        shop.pick([focused], true);
        return shop.setSaid(
          `Paper ${focused + 1} ${pickedIds.has(patches[focused]?.id ?? '') ? 'put down' : 'picked'}.`,
        );
      }
      if (key === '+' || key === '=') return zoomBy(1.25);
      if (key === '-') return zoomBy(0.8);
      if (key === '0') return fit(box);
    };
    if (arrow || ['Enter', ' ', '+', '=', '-', '0'].includes(key)) {
      event.preventDefault();
      act();
    }
  };

  const ghost = shown?.ghost;
  const isBlocked = ghost?.kind === 'fits' && ghost.covers.length > 0;
  const wrong = useMemo(() => new Set(report?.violations.flatMap((one) => one.patches) ?? []), [report]);
  const layer = useMemo(
    () => (
      <BoardPatches
        patches={patches}
        fabrics={fabrics}
        prefix={prefix}
        pickedIds={pickedIds}
        {...(focused !== undefined && patches[focused] ? { focused: patches[focused].id } : {})}
        {...(report ? { hands: report.handOf, sides: report.sides } : {})}
        wrong={wrong}
        drag={drag}
      />
    ),
    [patches, fabrics, prefix, pickedIds, focused, report, wrong, drag],
  );
  return (
    <Box
      ref={frameRef}
      role="application"
      tabIndex={0}
      aria-label={`Board, ${patches.length} papers. ${tool === 'place' ? 'Arrow keys go from edge to edge, Enter places, R turns, X turns over.' : 'Arrow keys go from paper to paper, the space bar picks.'}`}
      onKeyDown={onKeyDown}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerCancel={drop}
      onPointerLeave={() => setHover(undefined)}
      sx={{
        position: 'relative',
        overflow: 'hidden',
        touchAction: 'none',
        height: { xs: 420, md: 'max(430px, calc(100vh - 330px))' },
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        cursor: tool === 'pick' ? 'default' : 'crosshair',
        '&:not(:focus) .patch-focus': { display: 'none' },
      }}
    >
      <Box
        component="svg"
        ref={svgRef}
        aria-hidden="true"
        sx={{ display: 'block', width: '100%', height: '100%', transformOrigin: '0 0', overflow: 'visible' }}
      >
        <defs>
          <SwatchPatterns prefix={prefix} fabrics={fabrics} scale={1} />
        </defs>
        <g ref={groupRef}>
          {layer}
          <BoardOverlay
            ghost={ghost}
            stretch={shown?.stretch}
            isBlocked={isBlocked}
            centre={shop.centre}
            marks={marks}
            marquee={marquee}
          />
        </g>
      </Box>
      <Box sx={{ position: 'absolute', right: 8, bottom: 8, display: 'flex', gap: 0.5 }}>
        {(
          [
            ['+', 'Zoom in', () => zoomBy(1.25)],
            ['−', 'Zoom out', () => zoomBy(0.8)],
            ['Fit', 'Fit the block into the board', () => fit(box)],
          ] as const
        ).map(([text, label, act]) => (
          <Box
            key={text}
            component="button"
            type="button"
            aria-label={label}
            onPointerDown={(event: PointerEvent) => event.stopPropagation()}
            onClick={act}
            sx={{
              minWidth: 40,
              height: 40,
              font: 'inherit',
              bgcolor: 'background.default',
              color: 'text.primary',
              border: 1,
              borderColor: 'divider',
            }}
          >
            {text}
          </Box>
        ))}
      </Box>
      {patches.length === 0 && (
        <Box
          sx={{
            position: 'absolute',
            left: 16,
            top: 12,
            maxWidth: 420,
            pointerEvents: 'none',
            color: 'text.secondary',
          }}
        >
          Take a paper from the tray, then press here to lay the first one. The next ones attach to the edge
          under the pointer.
        </Box>
      )}
    </Box>
  );
}
