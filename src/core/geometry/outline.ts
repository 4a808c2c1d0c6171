import { itemAt } from '../lists';
import { type Edge, directionAt, edgeLength, flatten, isStraight, circleOf, pointAt, sweepOf } from './edge';
import type { Outline } from './outlineShape';
import { perOutline } from './perOutline';

export type { Outline } from './outlineShape';
import { type Point, toDegrees } from './point';

/** How far a flattened curve may lie from the true one where areas are compared, mm. */
export const FLATTEN_SAG_MM = 0.01;

/** Side `index`, from corner `index` to the next. */
export function edgeOf(outline: Outline, index: number): Edge {
  const { corners, bulges } = outline;
  return {
    a: itemAt(corners, index),
    b: itemAt(corners, (index + 1) % corners.length),
    bulge: itemAt(bulges, index),
  };
}

/** All sides in order. */
export const edgesOf = perOutline((outline): readonly Edge[] =>
  outline.corners.map((_, index) => edgeOf(outline, index)),
);

/** Lengths of all sides in order, mm. */
export const sideLengths = perOutline((outline): readonly number[] => edgesOf(outline).map(edgeLength));

/** {@link cornerAngle} of all corners in order, degrees. */
export const cornerAngles = perOutline((outline): readonly number[] =>
  outline.corners.map((_, index) => cornerAngle(outline, index)),
);

/** Signed area, mm²: above zero when the outline runs clockwise on screen. */
export function signedArea(outline: Outline): number {
  let twice = 0;
  for (const edge of edgesOf(outline)) {
    twice += edge.a.x * edge.b.y - edge.b.x * edge.a.y;
    if (isStraight(edge)) continue;
    const sweep = sweepOf(edge);
    twice += circleOf(edge).radius ** 2 * (sweep - Math.sin(sweep));
  }
  return twice / 2;
}

/** Area, mm². */
export const areaOf = perOutline((outline) => Math.abs(signedArea(outline)));

/** Length all round, mm. */
export const perimeterOf = perOutline((outline) =>
  sideLengths(outline).reduce((sum, length) => sum + length, 0),
);

/** A turn this near to a full reversal says nothing about its side, degrees. */
const REVERSAL_DEG = 179;

/**
 * Interior angle at a corner, degrees, between the tangents of its two sides; above 180 where the corner points in.
 * At the tip of two curves whose tangents coincide it is 0, or 360 where the tip points in.
 */
export function cornerAngle(outline: Outline, index: number): number {
  const { corners, bulges } = outline;
  const count = corners.length;
  const last = (index + count - 1) % count;
  if (bulges[last] === 0 && bulges[index] === 0) {
    // Between two straight sides, as nearly all are, the corners themselves say it all.
    const [p, q, r] = [itemAt(corners, last), itemAt(corners, index), itemAt(corners, (index + 1) % count)];
    const straight = turnBetween({ x: q.x - p.x, y: q.y - p.y }, { x: r.x - q.x, y: r.y - q.y });
    if (Math.abs(straight) < REVERSAL_DEG) return 180 - straight;
  }
  const before = edgeOf(outline, last);
  const after = edgeOf(outline, index);
  const angle = turnBetween(directionAt(before, edgeLength(before)), directionAt(after, 0));
  if (Math.abs(angle) < REVERSAL_DEG) return 180 - angle;
  const [from, to] = [pointAt(before, edgeLength(before) * 0.9), pointAt(after, edgeLength(after) * 0.1)];
  const [x, y] = [after.a.x, after.a.y];
  return turnBetween({ x: x - from.x, y: y - from.y }, { x: to.x - x, y: to.y - y }) > 0 ? 0 : 360;
}

/** Turn from one direction to another, degrees; above zero clockwise on screen. */
function turnBetween(from: Point, to: Point): number {
  return toDegrees(Math.atan2(from.x * to.y - from.y * to.x, from.x * to.x + from.y * to.y));
}

/** The outline as a polygon, curves flattened; the first point is not repeated. */
export function toPolygon(outline: Outline, sagMm = FLATTEN_SAG_MM): readonly Point[] {
  if (isStraightSided(outline)) return outline.corners;
  return edgesOf(outline).flatMap((edge) => flatten(edge, sagMm).slice(0, -1));
}

/** Whether any side is straight: cloth is folded over those side after side, round curves alone it is pleated. */
export function hasStraightSide(outline: Outline): boolean {
  return edgesOf(outline).some(isStraight);
}

const isStraightSided = ({ bulges }: Outline) => bulges.every((bulge) => bulge === 0);

/** Turned over left to right (x becomes −x) and renumbered to stay clockwise; corner 0 stays corner 0. */
export function mirrored(outline: Outline): Outline {
  return reversedOutline({
    corners: outline.corners.map(({ x, y }) => ({ x: -x, y })),
    // Mirroring alone swaps left and right of every side; running the outline backwards swaps them again.
    bulges: outline.bulges.map((bulge) => -bulge),
  });
}

/** The same outline run the other way round; corner 0 stays corner 0. */
export function reversedOutline({ corners, bulges }: Outline): Outline {
  const count = corners.length;
  const order = Array.from({ length: count }, (_, i) => (count - i) % count);
  return {
    corners: order.map((index) => itemAt(corners, index)),
    bulges: order.map((index) => -itemAt(bulges, (index + count - 1) % count)),
  };
}

/** The outline with every corner passed through a rigid motion (turning and moving; sizes and hands stay). */
export function movedOutline({ corners, bulges }: Outline, move: (point: Point) => Point): Outline {
  return { corners: corners.map(move), bulges };
}
