import { itemAt } from '../lists';
import { cornerAngles, mirrored, perOutline, sideLengths, SAME_LENGTH_MM, type Outline } from '../geometry';

/** Two corner angles closer than this are the same, degrees. */
export const SAME_ANGLE_DEG = 0.5;

/** Two bulges closer than this are the same curve (0.01 bows 0.25 mm on a 50 mm side). */
const SAME_BULGE = 0.01;

/** One step round an outline: a side and the corner it starts from. */
export interface SignatureStep {
  readonly edgeMm: number;
  readonly angleDeg: number;
  readonly bulge: number;
}

/** What makes a paper the paper it is, wherever it lies: its steps clockwise. Starting point means nothing. */
export type Signature = readonly SignatureStep[];

/** The steps of an outline, clockwise from corner 0. */
export const signatureOf = perOutline((outline): Signature => {
  const [lengths, angles] = [sideLengths(outline), cornerAngles(outline)];
  return outline.bulges.map((bulge, index) => ({
    edgeMm: itemAt(lengths, index),
    angleDeg: itemAt(angles, index),
    bulge,
  }));
});

/** The signature of the same paper turned over. */
export function turnedOverSignature(outline: Outline): Signature {
  return signatureOf(mirrored(outline));
}

/**
 * The rotation at which `b` matches `a` within tolerance: b[(i + rotation) % n] is like a[i].
 * @returns a number from 0, or undefined when no rotation matches
 * Cost: steps squared at worst.
 */
export function matchingRotation(a: Signature, b: Signature): number | undefined {
  if (a.length !== b.length) return undefined;
  for (let rotation = 0; rotation < a.length; rotation++) {
    if (a.every((step, i) => isSameStep(step, itemAt(b, (i + rotation) % b.length)))) return rotation;
  }
  return undefined;
}

function isSameStep(a: SignatureStep, b: SignatureStep): boolean {
  return (
    Math.abs(a.edgeMm - b.edgeMm) <= SAME_LENGTH_MM &&
    Math.abs(a.angleDeg - b.angleDeg) <= SAME_ANGLE_DEG &&
    Math.abs(a.bulge - b.bulge) <= SAME_BULGE
  );
}

/**
 * Orders two signatures within tolerance: longer sides first, then wider corners, then stronger bows.
 * @returns below zero when `a` comes first, 0 when they cannot be told apart
 */
export function compareSignatures(a: Signature, b: Signature): number {
  for (let i = 0; i < a.length; i++) {
    const [p, q] = [itemAt(a, i), itemAt(b, i)];
    if (Math.abs(p.edgeMm - q.edgeMm) > SAME_LENGTH_MM) return q.edgeMm - p.edgeMm;
    if (Math.abs(p.angleDeg - q.angleDeg) > SAME_ANGLE_DEG) return q.angleDeg - p.angleDeg;
    if (Math.abs(p.bulge - q.bulge) > SAME_BULGE) return q.bulge - p.bulge;
  }
  return 0;
}

/** The rotation of a signature that {@link compareSignatures} puts first. */
export function leadingRotation(signature: Signature): Signature {
  let best = signature;
  for (let start = 1; start < signature.length; start++) {
    const turned = [...signature.slice(start), ...signature.slice(0, start)];
    if (compareSignatures(turned, best) < 0) best = turned;
  }
  return best;
}
