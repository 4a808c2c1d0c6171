import { edgesOf, flatten, type Outline, type Point } from '../geometry';
import { itemAt } from '../lists';

/** An acute point is cut off at this many times the larger of its two distances, as {@link swell} does. */
const MITER = 2;
/** Sides that lie in one line within this sine are joined without a point between them. */
const STRAIGHT = 1e-4;

/**
 * An outline grown by a distance of its own at each side: an allowance that is wider at the rim of a block, narrower where an edge stays raw.
 * Each side is moved outward and cut off where it meets the next; acute points are cut off. Curves become polygons.
 * @param outline clockwise on screen (y down)
 * @param distances for each side, mm, from 0
 * @param sagMm how far a polygon may lie from its curve
 */
export function swellSides(outline: Outline, distances: readonly number[], sagMm: number): Point[] {
  const edges = edgesOf(outline).flatMap((edge, side) => {
    const points = flatten(edge, sagMm);
    return points.slice(1).map((b, index) => ({ a: itemAt(points, index), b, by: itemAt(distances, side) }));
  });
  return edges.flatMap((edge, index) =>
    corner(itemAt(edges, (index + edges.length - 1) % edges.length), edge),
  );
}

interface Moved {
  readonly a: Point;
  readonly b: Point;
  readonly by: number;
}

/** Where two sides meet after both were moved out, at the begin of the second. */
function corner(before: Moved, after: Moved): Point[] {
  const [u, v] = [directionOf(before), directionOf(after)];
  const p = after.a;
  const sine = u.x * v.y - u.y * v.x;
  const [first, second] = [outward(p, u, before.by), outward(p, v, after.by)];
  if (Math.abs(sine) < STRAIGHT)
    return Math.abs(before.by - after.by) < STRAIGHT ? [second] : [first, second];
  // From the foot on the first side to where the second one crosses it.
  const along = ((second.x - first.x) * v.y - (second.y - first.y) * v.x) / sine;
  const tip = { x: first.x + along * u.x, y: first.y + along * u.y };
  const most = MITER * Math.max(before.by, after.by);
  if (Math.hypot(tip.x - p.x, tip.y - p.y) <= most || sine < 0) return [tip];
  const [reach, back] = [before.by, after.by].map((by) => Math.sqrt(most ** 2 - by ** 2)) as [number, number];
  return [
    { x: first.x + reach * u.x, y: first.y + reach * u.y },
    { x: second.x - back * v.x, y: second.y - back * v.y },
  ];
}

function directionOf({ a, b }: Moved): Point {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  return { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
}

/** Of a clockwise outline on screen the outside lies to the left of its direction. */
const outward = ({ x, y }: Point, direction: Point, by: number): Point => ({
  x: x + by * direction.y,
  y: y - by * direction.x,
});
