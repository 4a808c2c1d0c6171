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
  const shared = intersectD([toPolygon(a)], [toPolygon(b)], FillRule.NonZero, CLIP_PRECISION);
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
  return Math.min(depthAgainst(a, b), depthAgainst(b, a));
}

function depthAgainst(fixed: readonly Point[], other: readonly Point[]): number {
  let least = Infinity;
  for (let i = 0; i < fixed.length; i++) {
    const p = fixed[i] as Point;
    const q = fixed[(i + 1) % fixed.length] as Point;
    const length = Math.hypot(q.x - p.x, q.y - p.y);
    const [nx, ny] = [-(q.y - p.y) / length, (q.x - p.x) / length];
    let deepest = -Infinity;
    for (const point of other) deepest = Math.max(deepest, (point.x - p.x) * nx + (point.y - p.y) * ny);
    least = Math.min(least, deepest);
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
