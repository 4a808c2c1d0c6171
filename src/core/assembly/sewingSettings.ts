import { MM_PER_INCH } from '../length';

/** How a project sews; every figure can be changed by the project. */
export interface SewingSettings {
  readonly stitchesPerMm: number;
  readonly stitchesPerMinute: number;
  readonly alignMinutes: number;
  readonly bendMinutes: number;
  readonly threadStartMinutes: number;
  /** Papers that a unit may hold before it slows the hand, and the share each further one adds to the time. */
  readonly lightPapers: number;
  readonly heavyShare: number;
  /** Length of a needleful that ends up in stitches, mm: 500 mm less knots, tail and what is too short to sew. */
  readonly usableNeedlefulMm: number;
  /** Appliqué stitches are smaller: mm sewn in a minute. */
  readonly appliqueMmPerMinute: number;
}

/** Defaults of the craft: 10 stitches per inch at 12 a minute, half a minute to align, a minute per bend. */
export const DEFAULT_SEWING: SewingSettings = {
  stitchesPerMm: 10 / MM_PER_INCH,
  stitchesPerMinute: 12,
  alignMinutes: 0.5,
  bendMinutes: 1,
  threadStartMinutes: 0.75,
  lightPapers: 12,
  heavyShare: 0.01,
  usableNeedlefulMm: 380,
  appliqueMmPerMinute: 25,
};
