import { edgeOf, flatten, type Outline, type Point } from '@/core/geometry';

export { outlinePath } from '@/core/geometry';

/** SVG path data of a run of points, mm. */
export function runPath(points: readonly Point[]): string {
  return points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${n(x)} ${n(y)}`).join('');
}

/** A point inside an outline where a number can stand: the mean of its corners. */
export function middleOf({ corners }: Outline): Point {
  const sum = corners.reduce((total, { x, y }) => ({ x: total.x + x, y: total.y + y }), { x: 0, y: 0 });
  return { x: sum.x / corners.length, y: sum.y / corners.length };
}

function n(value: number): string {
  return String(Math.round(value * 1000) / 1000);
}

/** SVG path data of one side of an outline, its curve kept. */
export function sidePath(outline: Outline, side: number): string {
  const run = flatten(edgeOf(outline, side), 0.05);
  return runPath(run);
}
