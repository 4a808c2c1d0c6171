import { InvalidInputError } from '../errors';

/** Millimetres in one inch, exact by definition. */
export const MM_PER_INCH = 25.4;

const VULGAR: Readonly<Record<string, string>> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

// A whole number ends at a blank or a letter, so that "11/4" reads as eleven quarters, not as 1¼.
const LENGTH =
  /^(?:(?<whole>\d+(?:[.,]\d+)?|[.,]\d+)(?=\s|[^\d/.,]|$)\s*)?(?:(?<num>\d+)\/(?<den>\d+))?\s*(?<unit>mm|cm|inches|inch|in|"|″|”)?$/i;

/**
 * Reads a length as makers write it.
 * @param text for example `1 3/4"`, `1¾ in`, `1.75in`, `45mm`, `4.5 cm`, `1/4`
 * @param fallback unit of a bare number
 * @returns millimetres, above zero
 * @throws InvalidInputError `length`
 */
export function parseLength(text: string, fallback: 'mm' | 'cm' | 'in' = 'mm'): number {
  const spelled = text
    .slice(0, 40)
    .trim()
    .replace(/[¼½¾⅛⅜⅝⅞⅓⅔]/g, (mark) => ` ${VULGAR[mark]}`)
    .trim();
  const groups = LENGTH.exec(spelled)?.groups;
  const millimetres = groups ? readParts(groups) * millimetresPer(groups.unit ?? fallback) : NaN;
  if (!Number.isFinite(millimetres) || millimetres <= 0) {
    throw new InvalidInputError(
      'length',
      `“${text}” is not a length.`,
      'Write it like 1/4", 1¾ in, 6.35mm or 4.5 cm.',
    );
  }
  // A picometre: so that 3/8 in is 9.525 mm and not a hair less.
  return Math.round(millimetres * 1e9) / 1e9;
}

function readParts(groups: Record<string, string | undefined>): number {
  if (groups.whole === undefined && groups.num === undefined) return NaN;
  const whole = groups.whole === undefined ? 0 : Number(groups.whole.replace(',', '.'));
  return whole + (groups.num === undefined ? 0 : Number(groups.num) / Number(groups.den));
}

function millimetresPer(unit: string): number {
  const name = unit.toLowerCase();
  if (name === 'mm') return 1;
  return name === 'cm' ? 10 : MM_PER_INCH;
}
