import { itemAt } from '../../lists';
import { InvalidInputError } from '../../errors';
import { MM_PER_INCH } from '../../length';
import { compose, type Matrix } from './matrix';
import type { XmlElement } from './readXml';

/** Millimetres per SVG unit; px by the definition of CSS, 96 to the inch. */
export const MM_PER_UNIT: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  q: 0.25,
  in: MM_PER_INCH,
  pt: MM_PER_INCH / 72,
  pc: MM_PER_INCH / 6,
  px: MM_PER_INCH / 96,
};

/** Longest text that is read as a length, characters. */
export const MAX_LENGTH_TEXT = 80;

const SIZE = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*(mm|cm|q|in|pt|pc|px)\s*$/i;

export interface PhysicalSize {
  /** From the drawing's user units to millimetres. */
  readonly toMm: Matrix;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Whether the size was given in px only. */
  readonly isPixels: boolean;
}

/**
 * Works out the true size from `width`, `height` and `viewBox`.
 * @param widthMm overrides the drawing's own size, for drawings without one
 * @throws InvalidInputError `no-physical-size`, `bad-view-box`
 */
export function physicalSize({ attributes, line }: XmlElement, widthMm?: number): PhysicalSize {
  const viewBox = readViewBox(attributes.viewBox, line);
  const given = {
    width: widthMm === undefined ? readSize(attributes.width) : { mm: widthMm, unit: 'mm' },
    height: widthMm === undefined ? readSize(attributes.height) : undefined,
  };
  const unit = given.width?.unit ?? given.height?.unit;
  if (!unit || (!viewBox && !(given.width && given.height))) throw noSize(attributes, line);
  if (!viewBox) {
    const scale = MM_PER_UNIT.px as number;
    const [w, h] = [given.width?.mm as number, given.height?.mm as number];
    return { toMm: [scale, 0, 0, scale, 0, 0], widthMm: w, heightMm: h, isPixels: unit === 'px' };
  }
  const across = given.width && given.width.mm / viewBox.width;
  const down = given.height && given.height.mm / viewBox.height;
  const [sx, sy] = scales(
    (across ?? down) as number,
    (down ?? across) as number,
    attributes.preserveAspectRatio,
  );
  return {
    toMm: compose([sx, 0, 0, sy, 0, 0], [1, 0, 0, 1, -viewBox.x, -viewBox.y]),
    widthMm: viewBox.width * sx,
    heightMm: viewBox.height * sy,
    isPixels: unit === 'px',
  };
}

function scales(sx: number, sy: number, aspect = 'xMidYMid meet'): [number, number] {
  if (aspect.trim() === 'none') return [sx, sy];
  const both = aspect.includes('slice') ? Math.max(sx, sy) : Math.min(sx, sy);
  return [both, both];
}

function readSize(text: string | undefined): { mm: number; unit: string } | undefined {
  // No length is this long; cut short, the expression cannot be made to run for ever.
  const match = SIZE.exec((text ?? '').slice(0, MAX_LENGTH_TEXT));
  if (!match) return undefined;
  const unit = itemAt(match, 2).toLowerCase();
  const mm = Number(match[1]) * (MM_PER_UNIT[unit] as number);
  return Number.isFinite(mm) && mm > 0 ? { mm, unit } : undefined;
}

function readViewBox(text: string | undefined, line: number) {
  if (text === undefined) return undefined;
  const [x, y, width, height, ...more] = text
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const numbers = [x, y, width, height];
  if (more.length > 0 || !numbers.every(Number.isFinite) || !(width! > 0) || !(height! > 0)) {
    throw new InvalidInputError(
      'bad-view-box',
      `The viewBox “${text.slice(0, 60)}” at line ${line} is not four numbers with a width and height above zero.`,
      'Write it like viewBox="0 0 200 200".',
      { line },
    );
  }
  return { x: x!, y: y!, width: width!, height: height! };
}

function noSize(attributes: XmlElement['attributes'], line: number): InvalidInputError {
  const has = ['width', 'height', 'viewBox'].filter((name) => attributes[name] !== undefined);
  const found =
    has.length === 0
      ? 'has none of width, height and viewBox'
      : `has only ${has.map((name) => `${name}="${attributes[name]?.slice(0, 30)}"`).join(' ')}`;
  return new InvalidInputError(
    'no-physical-size',
    'The drawing does not say how large it is.',
    `Save it with its true size, or say how wide it is. For whoever made it: its svg element at line ${line} ${found}; it wants for example width="200mm" height="200mm" viewBox="0 0 200 200".`,
    { line },
  );
}
