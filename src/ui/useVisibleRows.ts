import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef } from 'react';

/** Below so many rows all are drawn: the page finds words in them, and print has them all. */
const FEW = 60;
/** Rows drawn beyond the edge of what is seen; what a browser shows before it has measured, px. */
const [OVERSCAN, FIRST_PX] = [6, 900];

/**
 * Long tables draw the rows that are seen, and keep the room of the others.
 * @param estimatePx about how high a row is
 */
export function useVisibleRows(count: number, estimatePx: number) {
  const scroller = useRef<HTMLDivElement>(null);
  const isLong = count > FEW;
  // eslint-disable-next-line react-hooks/incompatible-library -- what it gives is used here and handed on as plain numbers
  const rows = useVirtualizer({
    count,
    getScrollElement: () => scroller.current,
    estimateSize: () => estimatePx,
    overscan: OVERSCAN,
    enabled: isLong,
    initialRect: { width: 0, height: FIRST_PX },
  });
  const shown = rows.getVirtualItems();
  const indices = isLong ? shown.map(({ index }) => index) : Array.from({ length: count }, (_, index) => index);
  return {
    scroller,
    isLong,
    indices,
    /** Room of the rows before and after those that are drawn, px. */
    beforePx: isLong ? (shown[0]?.start ?? 0) : 0,
    afterPx: isLong ? rows.getTotalSize() - (shown.at(-1)?.end ?? 0) : 0,
    measure: isLong ? rows.measureElement : undefined,
  };
} // prettier-ignore
