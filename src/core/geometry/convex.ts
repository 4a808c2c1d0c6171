import { itemAt } from '../lists';
import type { Point } from './point';

/**
 * How deep two convex polygons reach into each other, mm: zero or less when some side of one keeps them apart.
 * Separating-axis test; a cheap upper bound that spares most pairs the clipper.
 */
export function convexDepth(a: readonly Point[], b: readonly Point[]): number {
  const own = depthAgainst(a, b);
  return own <= 0 ? own : Math.min(own, depthAgainst(b, a));
}

/** Plain loops: this runs for every pair of neighbours while a block is edited. The first side that keeps apart decides. */
function depthAgainst(fixed: readonly Point[], other: readonly Point[]): number {
  let least = Infinity;
  for (let i = 0; i < fixed.length && least > 0; i++) {
    const p = itemAt(fixed, i);
    const q = itemAt(fixed, (i + 1) % fixed.length);
    const dx = q.x - p.x;
    const dy = q.y - p.y;
    let deepest = -Infinity;
    for (let k = 0; k < other.length; k++) {
      const point = itemAt(other, k);
      const deep = (point.y - p.y) * dx - (point.x - p.x) * dy;
      if (deep > deepest) deepest = deep;
    }
    const depth = deepest / Math.sqrt(dx * dx + dy * dy);
    if (depth < least) least = depth;
  }
  return least;
}

/** Whether a clockwise polygon turns the same way at every corner. */
export function isConvex(polygon: readonly Point[]): boolean {
  return polygon.every((p, i) => {
    const q = itemAt(polygon, (i + 1) % polygon.length);
    const r = itemAt(polygon, (i + 2) % polygon.length);
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x) >= -1e-6;
  });
}
