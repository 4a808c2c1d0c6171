import { useState, type KeyboardEvent } from 'react';
import type { Point } from '@/core/geometry';
import { MM_PER_INCH, type UnitSystem } from '@/core/length';
import type { LiveReport } from '@/core/workshop';
import type { Workshop } from './useWorkshop';

/** What keys can do on the board beside going from paper to paper. */
interface BoardKeys {
  readonly goToEdge: (by: number) => void;
  readonly placeShown: () => void;
  readonly zoomBy: (factor: number) => void;
  readonly fit: () => void;
}

/** The board by keys: from paper to paper or from edge to edge, picking, painting, placing, nudging and zooming. */
export function useBoardWalk(
  shop: Workshop,
  report: LiveReport | undefined,
  system: UnitSystem,
  { goToEdge, placeShown, zoomBy, fit }: BoardKeys,
) {
  const { patches, tool, pickedIds } = shop;
  const [focused, setFocused] = useState<number | undefined>();
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
      if (key === '0') return fit();
    };
    if (arrow || ['Enter', ' ', '+', '=', '-', '0'].includes(key)) {
      event.preventDefault();
      act();
    }
  };

  return { focused, onKeyDown };
}
