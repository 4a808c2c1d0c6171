/** Depth at which the needle bites behind the fold, mm. */
const BITE_MM = 0.8;
/** What one stitch spends on going round the two folds, mm. */
const FOLD_MM = 1;
const KNOT_MM = 25;
const START_AND_END_MM = 30;

/**
 * Thread that one whip stitch takes, mm: 2·√(b² + (p/2)²) + w with bite b, pitch p and fold thickness w.
 * @example threadPerStitch(25.4 / 10) // about 4.00 mm
 */
export function threadPerStitch(pitchMm: number): number {
  return 2 * Math.hypot(BITE_MM, pitchMm / 2) + FOLD_MM;
}

/** Stitches on a seam. */
export function stitchesOn(lengthMm: number, stitchesPerMm: number): number {
  return Math.ceil(lengthMm * stitchesPerMm - 1e-9);
}

/** Thread sewn into a length of seam, mm, without knots. */
export function threadOn(lengthMm: number, stitchesPerMm: number): number {
  return lengthMm * stitchesPerMm * threadPerStitch(1 / stitchesPerMm);
}

export interface ThreadUse {
  readonly stitches: number;
  readonly metres: number;
  readonly needlefuls: number;
}

/**
 * Thread for some seams: stitches, metres with knots and ends, and needlefuls.
 * @param usableMm part of a needleful that ends up in stitches and knots
 */
export function threadUse(
  lengthsMm: readonly number[],
  threadStarts: number,
  stitchesPerMm: number,
  usableMm: number,
): ThreadUse {
  const stitches = lengthsMm.reduce((sum, length) => sum + stitchesOn(length, stitchesPerMm), 0);
  const sewn = lengthsMm.reduce((sum, length) => sum + threadOn(length, stitchesPerMm), 0);
  const knotted = sewn + lengthsMm.length * KNOT_MM + threadStarts * (KNOT_MM + START_AND_END_MM);
  return {
    stitches,
    metres: knotted / 1000,
    needlefuls: Math.max(lengthsMm.length > 0 ? 1 : 0, Math.ceil(sewn / usableMm)),
  };
}
