import { distance, type Point } from '../geometry';
import { itemAt } from '../lists';

/** Cutting round every piece by hand. */
export interface HandWork {
  /** Length of all cut lines, mm. */
  readonly lineMm: number;
  readonly minutes: number;
}

/**
 * What it takes to cut pieces out one by one along their outlines; a line that two pieces share is cut once for each.
 * @param kinds cut outlines, allowance included, mm
 * @param mmPerMinute what scissors cut along a drawn line with corners: thirty centimetres, a 1″ hexagon in about forty seconds
 * @param layers pieces of one kind that lie on each other and are cut at once
 */
export function handWork(
  kinds: readonly { readonly polygon: readonly Point[]; readonly count: number }[],
  mmPerMinute: number,
  layers = 1,
): HandWork {
  const around = (polygon: readonly Point[]) =>
    polygon.reduce((sum, point, i) => sum + distance(point, itemAt(polygon, (i + 1) % polygon.length)), 0);
  const lineMm = kinds.reduce(
    (sum, { polygon, count }) => sum + Math.ceil(count / layers) * around(polygon),
    0,
  );
  return { lineMm, minutes: lineMm / mmPerMinute };
}
