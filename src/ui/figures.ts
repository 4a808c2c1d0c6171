import { InvalidInputError } from '@/core/errors';
import { MM_PER_INCH, formatLength, parseLength, type UnitSystem } from '@/core/length';

/** What a typed figure is a number of. Lengths are kept in mm and shares as parts of one, whatever is typed. */
export type FigureType =
  | 'length'
  | 'length or none'
  | 'lengths'
  | 'angle'
  | 'angles'
  | 'count'
  | 'number'
  | 'minutes'
  | 'share'
  | 'per length'
  | 'length per minute'
  | 'choice'
  | 'text';

/** A figure that a form asks for: a length, a number, an angle, a list of them, or one of some choices. */
export interface Figure {
  readonly name: string;
  readonly label: string;
  readonly type: FigureType;
  readonly choices?: readonly (readonly [string, string])[];
  readonly hint?: string;
}

/** What stands in the fields of a form, as typed, by name. */
export type Typed = Readonly<Record<string, string>>;

/** Figures by name, as they are reckoned with. */
export type Figures = Readonly<Record<string, unknown>>;

/** What is wrong with what was typed, in which field, and how to mend it. */
export interface Fault {
  readonly what: string;
  readonly mend: string;
  readonly where: string;
}

/** How a figure stands in its field. */
export function printFigure(value: unknown, type: FigureType, system: UnitSystem): string {
  const list = (print: (one: number) => string) => (value as readonly number[]).map(print).join(', ');
  switch (type) {
    case 'length':
      return formatLength(value as number, system);
    case 'length or none':
      return value === 0 ? '0' : formatLength(value as number, system);
    case 'lengths':
      return list((one) => formatLength(one, system));
    case 'angles':
      return list(String);
    case 'share':
      return tidy((value as number) * 100);
    case 'per length':
      return tidy((value as number) * lengthOf(system));
    case 'length per minute':
      return tidy((value as number) / lengthOf(system));
    default:
      return String(value ?? '');
  }
}

/** What is typed of lengths that are counted in: an inch or a centimetre. */
export function lengthOf(system: UnitSystem): number {
  return system === 'inch' ? MM_PER_INCH : 10;
}

function tidy(value: number): string {
  return String(Math.round(value * 100) / 100);
}

/**
 * Reads what stands in one field.
 * @throws InvalidInputError `length` or `number`, with how to write it
 */
export function readFigure(text: string, type: FigureType, system: UnitSystem): unknown {
  const length = (one: string) => parseLength(one, system === 'inch' ? 'in' : 'mm');
  const parts = text
    .split(/[,;]/)
    .map((one) => one.trim())
    .filter(Boolean);
  switch (type) {
    case 'length':
      return length(text);
    case 'length or none':
      return text.trim() === '0' ? 0 : length(text);
    case 'lengths':
      return parts.map(length);
    case 'angles':
      return parts.map(readNumber);
    case 'count':
      return readCount(text);
    case 'share':
      return readNumber(text.replace('%', '')) / 100;
    case 'per length':
      return readNumber(text) / lengthOf(system);
    case 'length per minute':
      return readNumber(text) * lengthOf(system);
    case 'choice':
    case 'text':
      return text;
    default:
      return readNumber(text);
  }
}

function readNumber(text: string): number {
  const plain = text.replace('°', '').replace(',', '.').trim();
  if (!/^\d{1,6}(\.\d{1,4})?$/.test(plain))
    throw new InvalidInputError('number', `“${text}” is no number.`, 'Write it in figures.');
  return Number(plain);
}

function readCount(text: string): number {
  if (!/^\s*\d{1,4}\s*$/.test(text))
    throw new InvalidInputError('number', `“${text}” is no whole number.`, 'Write it in figures.');
  return Number(text);
}

/** The fields as figures would fill them. */
export function printFigures(fields: readonly Figure[], figures: Figures, system: UnitSystem): Typed {
  return Object.fromEntries(fields.map(({ name, type }) => [name, printFigure(figures[name], type, system)]));
}

/**
 * Reads the fields of a form; the first that cannot be read is the fault.
 * @param before what filled the fields: a figure that stands as it was printed is the exact one, not what its fraction says
 */
export function readFigures(
  fields: readonly Figure[],
  typed: Typed,
  system: UnitSystem,
  before: Figures = {},
):
  | { readonly figures: Figures; readonly fault?: undefined }
  | { readonly fault: Fault; readonly figures?: undefined } {
  const figures: Record<string, unknown> = {};
  for (const { name, label, type } of fields) {
    const text = typed[name] ?? '';
    const isAsPrinted = name in before && text === printFigure(before[name], type, system);
    const read = isAsPrinted ? { value: before[name] } : attempt(() => readFigure(text, type, system), name);
    if (read.fault) return { fault: { ...read.fault, what: `${label}: ${read.fault.what}` } };
    figures[name] = read.value;
  }
  return { figures };
}

/** Runs core work that may refuse what was typed; its refusal becomes a fault. */
export function attempt<T>(
  work: () => T,
  where = '',
): { readonly value: T; readonly fault?: undefined } | { readonly fault: Fault; readonly value?: undefined } {
  try {
    return { value: work() };
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    return { fault: { what: error.message, mend: error.mend, where: error.place.name ?? where } };
  }
}
