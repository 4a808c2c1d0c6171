import { FillRule, areaPathsD, intersectD } from 'clipper2-ts';
import { toPolygon, type Outline, type Point } from '../geometry';

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
