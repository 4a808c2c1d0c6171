import { narrowestBox, type Outline } from '../geometry';
import { roundUpToGrid, type UnitSystem } from '../length';

/** The piece of cloth for one patch, cut from a strip. */
export interface StripCut {
  /** Width of the strip, mm. */
  readonly widthMm: number;
  /** Length taken off the strip, mm; at least the width. */
  readonly lengthMm: number;
}

/**
 * Size of cloth to cut for a paper: its narrowest bounding strip plus the allowance on every side, rounded up to the
 * cutting grid (⅛″ or 5 mm).
 */
export function stripCut(outline: Outline, allowanceMm: number, system: UnitSystem): StripCut {
  const { length, width } = narrowestBox(outline);
  return {
    widthMm: roundUpToGrid(width + 2 * allowanceMm, system),
    lengthMm: roundUpToGrid(length + 2 * allowanceMm, system),
  };
}
