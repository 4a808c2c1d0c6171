import {
  EndType,
  FillRule,
  JoinType,
  areaPathsD,
  differenceD,
  inflatePathsD,
  ramerDouglasPeuckerD,
} from 'clipper2-ts';
import type { Point } from '../geometry';
import { convexParts } from './convexParts';
import { polygonArea } from './pieces';

/** An outline with more corners than this is curved: it is laid by a coarser one around it. */
const MOST_CORNERS = 20;

/** So many convex parts at most, where that can be had: pairs of parts are what is compared. */
const MOST_PARTS = 5;

/** How far the coarser outline may lie outside, twice, mm: the least that does. */
const LOOSE_MM = [0.05, 0.1, 0.2, 0.4, 0.8];

/**
 * An outline with few corners that holds a curved one: what is clear of it is clear of the curve. Every corner costs time with
 * every other piece.
 */
export function looser(polygon: readonly Point[]): readonly Point[] {
  if (polygon.length <= MOST_CORNERS) return polygon;
  let best = polygon;
  for (const loose of LOOSE_MM) {
    const around = aroundIt(polygon, loose);
    if (around && around.length < best.length) best = around;
    if (best.length <= MOST_CORNERS && convexParts(best).length <= MOST_PARTS) break;
  }
  return best;
}

function aroundIt(polygon: readonly Point[], loose: number): readonly Point[] | undefined {
  const [grown, more] = inflatePathsD([[...polygon]], loose, JoinType.Miter, EndType.Polygon, 2, 4);
  if (!grown || more) return undefined;
  const plain = ramerDouglasPeuckerD(grown, loose).map(({ x, y }) => ({ x, y }));
  if (plain.length < 3 || polygonArea(plain) <= 0) return undefined;
  const outside = differenceD([[...polygon]], [plain], FillRule.NonZero, 4);
  return Math.abs(areaPathsD(outside)) > 1e-3 ? undefined : plain;
}
