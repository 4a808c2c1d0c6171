import { circleOf, edgesOf, isStraight, sweepOf, type Outline, type Point } from '@/core/geometry';

/** SVG path data of an outline, mm, curves as true arcs. */
export function outlinePath(outline: Outline): string {
  const [first] = outline.corners;
  if (!first) return '';
  const sides = edgesOf(outline).map((edge) => {
    if (isStraight(edge)) return `L${n(edge.b.x)} ${n(edge.b.y)}`;
    const radius = n(circleOf(edge).radius);
    const sweep = sweepOf(edge);
    return `A${radius} ${radius} 0 ${Math.abs(sweep) > Math.PI ? 1 : 0} ${sweep > 0 ? 1 : 0} ${n(edge.b.x)} ${n(edge.b.y)}`;
  });
  return `M${n(first.x)} ${n(first.y)}${sides.join('')}Z`;
}

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
