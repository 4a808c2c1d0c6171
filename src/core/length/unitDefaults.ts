import { MM_PER_INCH } from './parseLength';
import type { UnitSystem } from './formatLength';

/** What a project begins with in a system of units: the round sizes that its shops sell and its rulers show. */
export interface UnitDefaults {
  /** What one inch of the usual figures is taken for, mm: papers of 1″ are papers of 25 mm. */
  readonly stepMm: number;
  readonly allowanceMm: number;
  readonly pageSize: 'A4' | 'Letter';
  /** What is said of allowances where one is asked for. */
  readonly allowanceHint: string;
}

/** Inches and centimetres are equals: each has defaults of its own. */
export const UNIT_DEFAULTS: Readonly<Record<UnitSystem, UnitDefaults>> = {
  inch: {
    stepMm: MM_PER_INCH,
    allowanceMm: MM_PER_INCH / 4,
    pageSize: 'Letter',
    allowanceHint: '¼″ is exact; ⅜″ is generous and safer on outer edges.',
  },
  metric: {
    stepMm: 25,
    allowanceMm: 7,
    pageSize: 'A4',
    allowanceHint: '7 mm is exact; 10 mm is generous and safer on outer edges.',
  },
};
