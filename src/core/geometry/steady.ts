import type { Point } from './point';

/** Lengths that differ by less are equal where one has to come first, mm: drawings are off by as much. */
export const EQUAL_LENGTH_MM = 0.05;
/** The same for directions, radians. */
export const EQUAL_DIRECTION = 0.0014;

/**
 * Items in the order of a number, those whose numbers are equal to within a gap in the order in which they were given: what
 * comes first does not hang on the last decimal, nor on where a drawing lies.
 */
export function steadyOrder<T>(items: readonly T[], numberOf: (item: T) => number, gap: number): T[] {
  const sorted = items.map((item, index) => ({ item, index, number: numberOf(item), rank: 0 }));
  sorted.sort((a, b) => a.number - b.number);
  sorted.forEach((one, i) => {
    const before = sorted[i - 1];
    one.rank = before ? before.rank + (one.number - before.number > gap ? 1 : 0) : 0;
  });
  return sorted.sort((a, b) => a.rank - b.rank || a.index - b.index).map(({ item }) => item);
}

/** What lies this near to a centre has no direction from it, mm. */
const IN_THE_MIDDLE_MM = 0.5;

/**
 * Direction from a centre to a point, radians clockwise on screen from the left. A hair above the line to the left is the same
 * as a hair below it.
 */
export function directionRound(centre: Point, { x, y }: Point): number {
  if (Math.hypot(x - centre.x, y - centre.y) < IN_THE_MIDDLE_MM) return 0;
  const angle = Math.atan2(y - centre.y, x - centre.x) + Math.PI;
  return angle > 2 * Math.PI - EQUAL_DIRECTION ? angle - 2 * Math.PI : angle;
}
