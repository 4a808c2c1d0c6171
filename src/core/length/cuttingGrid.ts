import { MM_PER_INCH } from './parseLength';
import type { UnitSystem } from './formatLength';

/** The steps that rulers and cutting mats are read in: ⅛″ or 5 mm. */
export const CUTTING_GRID_MM: Readonly<Record<UnitSystem, number>> = { inch: MM_PER_INCH / 8, metric: 5 };

/** A length may pass a step of the grid by this much, mm: drawings agree no better, and no ruler shows it. */
const GRID_SLACK_MM = 0.02;

/** Rounds a length in mm up to the cutting grid; a length on the grid stays. */
export function roundUpToGrid(millimetres: number, system: UnitSystem): number {
  const step = CUTTING_GRID_MM[system];
  return Math.ceil((millimetres - GRID_SLACK_MM) / step) * step;
}
