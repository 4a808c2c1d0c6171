import type { Point } from './point';

/** Lengths that differ by less are equal where one has to come first, mm: drawings are off by as much. */
export const EQUAL_LENGTH_MM = 0.2;
/** The same for directions, radians; near the centre, where a hair is a wide angle, as much as that length is from there. */
const EQUAL_DIRECTION = 0.0014;

/**
 * Items in the order of a number, those whose numbers are equal to within a gap in the order in which they were given: what
 * comes first does not hang on the last decimal, nor on where a drawing lies.
 * @param gap for all of them, or for each; of two the wider counts
 */
export function steadyOrder<T>(
  items: readonly T[],
  numberOf: (item: T) => number,
  gap: number | ((item: T) => number),
): T[] {
  const gapOf = typeof gap === 'number' ? () => gap : gap;
  const sorted = items.map((item, index) => ({
    item,
    index,
    number: numberOf(item),
    gap: gapOf(item),
    rank: 0,
  }));
  sorted.sort((a, b) => a.number - b.number);
  sorted.forEach((one, i) => {
    const before = sorted[i - 1];
    const isApart = before && one.number - before.number > Math.max(one.gap, before.gap);
    one.rank = before ? before.rank + (isApart ? 1 : 0) : 0;
  });
  return sorted.sort((a, b) => a.rank - b.rank || a.index - b.index).map(({ item }) => item);
}

/** What lies this near to a centre has no direction from it, mm. */
const IN_THE_MIDDLE_MM = 0.5;

/** Items in the order in which their points come round a centre, clockwise on screen from the left; equal ones as given. */
export function orderRound<T>(items: readonly T[], centre: Point, pointOf: (item: T) => Point): T[] {
  const gapOf = (item: T) => {
    const { x, y } = pointOf(item);
    return Math.max(EQUAL_DIRECTION, EQUAL_LENGTH_MM / Math.hypot(x - centre.x, y - centre.y));
  };
  return steadyOrder(items, (item) => directionRound(centre, pointOf(item), gapOf(item)), gapOf);
}

/**
 * Direction from a centre to a point, radians clockwise on screen from the left. A hair above the line to the left is the same
 * as a hair below it.
 */
function directionRound(centre: Point, { x, y }: Point, gap: number): number {
  if (Math.hypot(x - centre.x, y - centre.y) < IN_THE_MIDDLE_MM) return 0;
  const angle = Math.atan2(y - centre.y, x - centre.x) + Math.PI;
  return angle > 2 * Math.PI - gap ? angle - 2 * Math.PI : angle;
}
