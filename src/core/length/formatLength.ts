import { MM_PER_INCH } from './parseLength';

/** The two systems a shop may work in; equals everywhere. */
export type UnitSystem = 'inch' | 'metric';

const GLYPHS: Readonly<Record<string, string>> = {
  '1/4': '¼',
  '1/2': '½',
  '3/4': '¾',
  '1/8': '⅛',
  '3/8': '⅜',
  '5/8': '⅝',
  '7/8': '⅞',
};

/**
 * Prints a length: inches to the nearest 1/16 as a proper fraction, metric to 0.5 mm.
 * @param millimetres length in mm
 * @returns for example `1¾″`, `2 3/16″`, `45 mm`
 */
export function formatLength(millimetres: number, system: UnitSystem): string {
  return system === 'inch' ? formatInches(millimetres) : `${Math.round(millimetres * 2) / 2} mm`;
}

function formatInches(millimetres: number): string {
  const sixteenths = Math.round((millimetres / MM_PER_INCH) * 16);
  const whole = Math.trunc(sixteenths / 16);
  const fraction = properFraction(Math.abs(sixteenths % 16));
  if (fraction === '') return `${whole}″`;
  const glyph = GLYPHS[fraction];
  const lead = whole === 0 ? '' : `${whole}`;
  if (glyph) return `${lead}${glyph}″`;
  return lead === '' ? `${fraction}″` : `${lead} ${fraction}″`;
}

function properFraction(sixteenths: number): string {
  if (sixteenths === 0) return '';
  let [numerator, denominator] = [sixteenths, 16];
  while (numerator % 2 === 0) [numerator, denominator] = [numerator / 2, denominator / 2];
  return `${numerator}/${denominator}`;
}

/** Prints an angle to 0.1°; halves that differ only by how they were computed print alike. */
export function formatAngle(degrees: number): string {
  return `${Math.round(degrees * 10 + 1e-6) / 10}°`;
}

/** Prints an area: square inches to 0.01, or square centimetres to 0.1. */
export function formatArea(squareMillimetres: number, system: UnitSystem): string {
  return system === 'inch'
    ? `${(squareMillimetres / MM_PER_INCH ** 2).toFixed(2)} sq in`
    : `${(squareMillimetres / 100).toFixed(1)} cm²`;
}
