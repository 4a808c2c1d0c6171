import { circleOf, isStraight, sweepOf } from './edge';
import { edgesOf, type Outline } from './outline';

/**
 * SVG path data of an outline, mm, curves as true circular arcs.
 * @param decimals places kept of each coordinate
 */
export function outlinePath(outline: Outline, decimals = 3): string {
  const [first] = outline.corners;
  if (!first) return '';
  const n = (value: number) => String(Number(value.toFixed(decimals)));
  const sides = edgesOf(outline).map((edge) => {
    if (isStraight(edge)) return `L${n(edge.b.x)} ${n(edge.b.y)}`;
    const radius = n(circleOf(edge).radius);
    const sweep = sweepOf(edge);
    return `A${radius} ${radius} 0 ${Math.abs(sweep) > Math.PI ? 1 : 0} ${sweep > 0 ? 1 : 0} ${n(edge.b.x)} ${n(edge.b.y)}`;
  });
  return `M${n(first.x)} ${n(first.y)}${sides.join('')}Z`;
}
