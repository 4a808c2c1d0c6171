import earcut from 'earcut';
import { itemAt } from '../lists';
import type { Point } from '../geometry';

/** A convex polygon, clockwise on screen: x and y in turn, mm. */
export type ConvexPart = Float64Array;

/** A turn this small to the wrong side still counts as straight on, mm² of the corner's cross product. */
const STRAIGHT_MM2 = 1e-7;

/**
 * Cuts a simple polygon, clockwise on screen, into convex parts: triangles (by ear clipping) put together again across every
 * diagonal that leaves them convex (after Hertel and Mehlhorn, 1983: at most four times as many as need be).
 * Cost: corners squared.
 */
export function convexParts(polygon: readonly Point[]): ConvexPart[] {
  const all = polygon.map((_, index) => index);
  if (isConvexRing(polygon, all)) return [toPart(polygon, all)];
  const flat = earcut(polygon.flatMap(({ x, y }) => [x, y]));
  const rings: number[][] = [];
  for (let i = 0; i < flat.length; i += 3) {
    const [a, b, c] = [itemAt(flat, i), itemAt(flat, i + 1), itemAt(flat, i + 2)];
    const area = cross(itemAt(polygon, a), itemAt(polygon, b), itemAt(polygon, c));
    if (Math.abs(area) > STRAIGHT_MM2) rings.push(area > 0 ? [a, b, c] : [a, c, b]);
  }
  mergeRings(polygon, rings);
  return rings.map((ring) => toPart(polygon, ring));
}

function mergeRings(polygon: readonly Point[], rings: number[][]): void {
  for (let i = 0; i < rings.length; i++) {
    for (let k = i + 1; k < rings.length; k++) {
      const merged = mergedRing(itemAt(rings, i), itemAt(rings, k));
      if (!merged || !isConvexRing(polygon, merged)) continue;
      rings[i] = merged;
      rings.splice(k, 1);
      k = i;
    }
  }
}

/** Two rings that share one side, as one ring; undefined where they share none. */
function mergedRing(a: readonly number[], b: readonly number[]): number[] | undefined {
  for (let i = 0; i < a.length; i++) {
    const [from, to] = [itemAt(a, i), itemAt(a, (i + 1) % a.length)];
    const at = b.indexOf(to);
    if (at < 0 || b[(at + 1) % b.length] !== from) continue;
    const others = Array.from({ length: b.length - 2 }, (_, step) => itemAt(b, (at + 2 + step) % b.length));
    return [...a.slice(0, i + 1), ...others, ...a.slice(i + 1)];
  }
  return undefined;
}

function isConvexRing(polygon: readonly Point[], ring: readonly number[]): boolean {
  let turned = 0;
  for (let i = 0; i < ring.length; i++) {
    const [p, q, r] = [0, 1, 2].map((step) => itemAt(polygon, itemAt(ring, (i + step) % ring.length)));
    if (!p || !q || !r || cross(p, q, r) < -STRAIGHT_MM2) return false;
    turned += Math.atan2(cross(p, q, r), (q.x - p.x) * (r.x - q.x) + (q.y - p.y) * (r.y - q.y));
  }
  // A ring that turns twice round is a star, not a convex polygon.
  return turned < 3 * Math.PI;
}

const cross = (p: Point, q: Point, r: Point) => (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x);

function toPart(polygon: readonly Point[], ring: readonly number[]): ConvexPart {
  const points = ring.map((index) => itemAt(polygon, index));
  // Corners in the middle of a side say nothing and would cost time at every comparison.
  const kept = points.filter((q, i) => {
    const [p, r] = [itemAt(points, (i + points.length - 1) % points.length), itemAt(points, (i + 1) % points.length)];
    return cross(p, q, r) > STRAIGHT_MM2;
  }); // prettier-ignore
  return Float64Array.from((kept.length > 2 ? kept : points).flatMap(({ x, y }) => [x, y]));
}
