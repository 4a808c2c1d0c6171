import { distance, type Point } from '../geometry';
import type { UnitSystem } from '../length';
import { itemAt } from '../lists';

/** What scissors cut in a minute along a drawn line with corners, mm: a foot, or thirty centimetres; a 1″ hexagon with its allowance in about forty seconds. */
export const HAND_MM_PER_MINUTE: Readonly<Record<UnitSystem, number>> = { inch: 304.8, metric: 300 };

/** Cutting round every piece by hand. */
export interface HandWork {
  /** Length of all cut lines, mm. */
  readonly lineMm: number;
  readonly minutes: number;
}

/**
 * What it takes to cut pieces out one by one along their outlines; a line that two pieces share is cut once for each.
 * @param kinds cut outlines, allowance included, mm
 */
export function handWork(
  kinds: readonly { readonly polygon: readonly Point[]; readonly count: number }[],
  mmPerMinute: number,
): HandWork {
  const around = (polygon: readonly Point[]) =>
    polygon.reduce((sum, point, i) => sum + distance(point, itemAt(polygon, (i + 1) % polygon.length)), 0);
  const lineMm = kinds.reduce((sum, { polygon, count }) => sum + count * around(polygon), 0);
  return { lineMm, minutes: lineMm / mmPerMinute };
}
