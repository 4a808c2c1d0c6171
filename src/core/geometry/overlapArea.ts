import { FillRule, areaPathsD, intersectD } from 'clipper2-ts';
import { toPolygon, type Outline } from './outline';
import type { Point } from './point';

/** Decimal places of a millimetre that the clipper keeps. */
const CLIP_PRECISION = 4;

export interface Overlap {
  /** mm² */
  readonly area: number;
  /** A point in the middle of what overlaps. */
  readonly at: Point;
}

/** What two outlines cover together; area 0 when they only touch. */
export function overlapOf(a: Outline, b: Outline): Overlap {
  const shared = intersectD([[...toPolygon(a)]], [[...toPolygon(b)]], FillRule.NonZero, CLIP_PRECISION);
  const points = shared.flat();
  if (points.length === 0) return { area: 0, at: { x: 0, y: 0 } };
  const sum = points.reduce((total, { x, y }) => ({ x: total.x + x, y: total.y + y }), { x: 0, y: 0 });
  return { area: Math.abs(areaPathsD(shared)), at: { x: sum.x / points.length, y: sum.y / points.length } };
}

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
    const p = fixed[i] as Point;
    const q = fixed[(i + 1) % fixed.length] as Point;
    const dx = q.x - p.x;
    const dy = q.y - p.y;
    let deepest = -Infinity;
    for (let k = 0; k < other.length; k++) {
      const point = other[k] as Point;
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
    const q = polygon[(i + 1) % polygon.length] as Point;
    const r = polygon[(i + 2) % polygon.length] as Point;
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x) >= -1e-6;
  });
}
