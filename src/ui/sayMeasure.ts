import { formatAngle, formatLength, type UnitSystem } from '@/core/length';
import type { TellingMeasure } from '@/core/shapes';

/** The value of a measure by which two papers are told apart, of the first or the second. */
export function sayMeasure(tellBy: TellingMeasure, which: 'a' | 'b', system: UnitSystem): string {
  const value = tellBy[which];
  if (tellBy.unit === 'deg') return formatAngle(value);
  // To the sixteenth two look-alikes may print alike: millimetres beside it tell them apart.
  return system === 'inch'
    ? `${formatLength(value, 'inch')} (${value.toFixed(1)} mm)`
    : `${value.toFixed(1)} mm`;
}
