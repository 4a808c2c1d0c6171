import { bestFit, distance, movePoint, toDegrees, turnDegrees, type Motion, type Point } from '../geometry';
import { itemAt } from '../lists';
import { middleOf } from './motif';

/** A patch is the paper where none of its corners lies further off, mm. */
const SAME_MM = 0.6;
/** Patches lie on one ring where their middles are as far from the middle of the block to within this, mm. */
const RING_MM = 1;

/**
 * How a paper lies on each patch of its block that has its shape, never turned over. Where it fits in several turns, papers of
 * one ring turn with the ring, so that motifs all point outwards alike; elsewhere they stay as upright as they can.
 * @param paper as it lies on one patch of the block, in its coordinates
 * @param patches of the paper’s cloth; those of other shapes are left out
 * @param middle of the block
 */
export function laidInBlock(
  paper: readonly Point[],
  patches: readonly (readonly Point[])[],
  middle: Point,
): Motion[] {
  const alike = patches
    .map((patch) => ({ centre: middleOf(patch), fits: fitsOf(paper, patch) }))
    .filter(({ fits }) => fits.length > 0);
  const own = middleOf(paper);
  const reach = distance(own, middle);
  const isRing = reach > RING_MM && alike.every(({ centre }) => Math.abs(distance(centre, middle) - reach) <= RING_MM); // prettier-ignore
  return alike.map(({ centre, fits }) => {
    const wanted = isRing ? turnFrom(own, centre, middle) : { x: 1, y: 0 };
    const off = ({ cos, sin }: Motion) => turnDegrees({ x: cos, y: sin }, wanted);
    return fits.reduce((best, one) => (off(one) < off(best) - 1e-6 ? one : best));
  });
}

/**
 * How a paper is turned on the print so that what points up there points away from the middle of the block, degrees clockwise.
 * @returns undefined for a paper in the middle
 */
export function outwardTurn(paper: readonly Point[], middle: Point): number | undefined {
  const own = middleOf(paper);
  if (distance(own, middle) <= RING_MM) return undefined;
  // Up is −y; from outwards to up, clockwise on screen.
  const { x, y } = turnFrom(own, { x: middle.x, y: middle.y - 1 }, middle);
  return toDegrees(Math.atan2(y, x));
}

/** The turn about a middle that takes one direction from it to another, as cosine and sine of a common length. */
function turnFrom(from: Point, to: Point, middle: Point): Point {
  const [px, py, qx, qy] = [from.x - middle.x, from.y - middle.y, to.x - middle.x, to.y - middle.y];
  return { x: px * qx + py * qy, y: px * qy - py * qx };
}

/** Every turn in which a paper lies on a patch. */
function fitsOf(paper: readonly Point[], patch: readonly Point[]): Motion[] {
  if (paper.length !== patch.length) return [];
  return patch.flatMap((_, shift) => {
    const { motion } = bestFit(paper, patch, shift);
    const isOn = patch.every((place, i) => distance(movePoint(motion, itemAt(paper, (i + shift) % paper.length)), place) <= SAME_MM); // prettier-ignore
    return isOn ? [motion] : [];
  });
}
