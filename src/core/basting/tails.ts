import { itemAt } from '../lists';
import { cornerAngle, toRadians, type Outline } from '../geometry';

/** Order in which the sides of a patch are folded over its paper. */
export interface FoldOrder {
  /** Side indices, first fold first; side i runs from corner i to corner i + 1. */
  readonly order: readonly number[];
  /** Whether the last fold is tucked under the first, so that it counts as folded first at their corner. */
  readonly isTucked: boolean;
}

/** A point of folded cloth that sticks out past an acute corner. */
export interface Tail {
  readonly corner: number;
  /** The side across which it sticks out: the one folded first. */
  readonly overEdge: number;
  readonly lengthMm: number;
}

/** Sharper corners count as this sharp, degrees. */
const LEAST_ANGLE_DEG = 0.01;
/** Tails shorter than this cannot be seen, mm. */
const LEAST_TAIL_MM = 0.05;

/**
 * Length of the tail at a corner, mm, before any trimming: s · max(2·cos θ, sin(2.5·θ) ÷ sin(θ/2)) for θ < 90°,
 * else 0. Found by reflecting the offset corner in the side folded first and then in the other.
 * @example tailLength(45, 6.35) // 2.414 × 6.35
 */
export function tailLength(angleDeg: number, allowanceMm: number): number {
  if (angleDeg >= 90) return 0;
  // At a cusp the formula is 0 ÷ 0; it tends to five allowances there.
  const theta = toRadians(Math.max(angleDeg, LEAST_ANGLE_DEG));
  return allowanceMm * Math.max(2 * Math.cos(theta), Math.sin(2.5 * theta) / Math.sin(theta / 2));
}

/** Folds side after side clockwise as seen from the front, from the longest side on, the last tucked under the first. */
export function foldClockwise(edgeLengthsMm: readonly number[]): FoldOrder {
  const longest = edgeLengthsMm.reduce(
    (best, length, side) => (length > itemAt(edgeLengthsMm, best) + 0.25 ? side : best),
    0,
  );
  const count = edgeLengthsMm.length;
  return { order: edgeLengthsMm.map((_, i) => (longest + i) % count), isTucked: true };
}

/** The side that counts as folded first at a corner, of the one that ends there and the one that starts there. */
export function firstFoldedAt({ order, isTucked }: FoldOrder, corner: number): number {
  const count = order.length;
  const arriving = (corner + count - 1) % count;
  const [first, last] = [order[0], order[count - 1]];
  const meetAtTuck =
    count > 2 && [arriving, corner].includes(first as number) && [arriving, corner].includes(last as number);
  if (isTucked && meetAtTuck) return last as number;
  return order.indexOf(arriving) < order.indexOf(corner) ? arriving : corner;
}

/** All tails of a patch. */
export function tailsOf(outline: Outline, fold: FoldOrder, allowanceMm: number): Tail[] {
  return outline.corners.flatMap((_, corner) => {
    const lengthMm = tailLength(cornerAngle(outline, corner), allowanceMm);
    return lengthMm < LEAST_TAIL_MM ? [] : [{ corner, overEdge: firstFoldedAt(fold, corner), lengthMm }];
  });
}
