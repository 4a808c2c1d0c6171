/** Depth at which the needle bites behind the fold, mm. */
const BITE_MM = 0.8;
/** What one stitch spends on going round the two folds, mm. */
const FOLD_MM = 1;
const KNOT_MM = 25;
const START_AND_END_MM = 30;
/** What of a needleful does not end up in stitches, mm: knots, the tail, and what is too short to sew. */
const NEEDLEFUL_LOSS_MM = 120;

/**
 * Thread that one whip stitch takes, mm: 2·√(b² + (p/2)²) + w with bite b, pitch p and fold thickness w.
 * @example threadPerStitch(25.4 / 10) // about 4.00 mm
 */
export function threadPerStitch(pitchMm: number): number {
  return 2 * Math.hypot(BITE_MM, pitchMm / 2) + FOLD_MM;
}

/** Stitches on a seam. */
export function stitchesOn(lengthMm: number, stitchesPerMm: number): number {
  return Math.max(0, Math.ceil(lengthMm * stitchesPerMm - 1e-9));
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

/** One run of stitches. */
export interface SewnRun {
  readonly lengthMm: number;
  /** Knots on it: at each intersection and its ends, and half-way on long seams. */
  readonly knots: number;
}

/**
 * Thread for some runs: stitches, metres with every knot, start and end, and needlefuls.
 * Cut to their whole length the needlefuls are never less than the metres.
 * @param hiddenMm thread that lies hidden in folds between runs
 * @param usableMm part of a needleful that ends up in stitches; it is cut 120 mm longer
 */
export function threadUse(
  runs: readonly SewnRun[],
  threadStarts: number,
  stitchesPerMm: number,
  usableMm: number,
  hiddenMm = 0,
): ThreadUse {
  const stitches = runs.reduce((sum, { lengthMm }) => sum + stitchesOn(lengthMm, stitchesPerMm), 0);
  const sewn = runs.reduce((sum, { lengthMm }) => sum + threadOn(lengthMm, stitchesPerMm), 0);
  const knotted = runs.reduce((sum, { knots }) => sum + knots * KNOT_MM, 0);
  const used = sewn + hiddenMm + knotted + threadStarts * START_AND_END_MM;
  const cut = Math.max((sewn + hiddenMm) / usableMm, used / (usableMm + NEEDLEFUL_LOSS_MM));
  return {
    stitches,
    metres: used / 1000,
    needlefuls: Math.max(runs.length > 0 ? 1 : 0, Math.ceil(cut - 1e-9)),
  };
}

/** How much seam one needleful sews by the project’s figures, mm. */
export function seamOfNeedleful(stitchesPerMm: number, usableMm: number): number {
  return usableMm / threadOn(1, stitchesPerMm);
}

/** Thread of a block, and what one needleful of it sews. */
export interface BlockThread extends ThreadUse {
  readonly seamOfNeedlefulMm: number;
}

/** The same as one hand uses it: more where stitches are small or tight. @param sewedMm what one needleful of theirs sewed */
export function ownThread(thread: BlockThread, sewedMm: number): BlockThread {
  const times = thread.seamOfNeedlefulMm / sewedMm;
  return {
    stitches: thread.stitches,
    metres: thread.metres * times,
    needlefuls: Math.ceil(thread.needlefuls * times - 1e-9),
    seamOfNeedlefulMm: sewedMm,
  };
}
