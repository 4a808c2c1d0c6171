import { PAPER_FAMILIES, makePaper, type Paper, type PaperFamily } from '@/core/catalogue';
import { InvalidInputError } from '@/core/errors';
import type { Outline } from '@/core/geometry';
import { formatLength, parseLength, type UnitSystem } from '@/core/length';

/** What stands in the fields of a paper, as typed. */
export type TypedPaper = Readonly<Record<string, string>>;

export interface PaperFault {
  readonly what: string;
  readonly mend: string;
  readonly where: string;
}

/** What typed figures make: the paper and its outline, or what is wrong with them. */
export type PaperReading =
  | { readonly paper: Paper; readonly outline: Outline; readonly fault?: undefined }
  | { readonly fault: PaperFault };

/** The fields as a paper would fill them, lengths in the unit of the project. */
export function typedFromPaper(paper: Paper, system: UnitSystem): TypedPaper {
  const values = paper as unknown as Readonly<Record<string, number | string | readonly number[]>>;
  const entries = PAPER_FAMILIES[paper.family].fields.map(({ name, type }) => {
    const value = values[name];
    if (type === 'length') return [name, formatLength(Number(value), system)];
    if (!Array.isArray(value)) return [name, String(value)];
    const list = value as readonly number[];
    return [
      name,
      list.map((one) => (type === 'lengths' ? formatLength(one, system) : String(one))).join(', '),
    ];
  });
  return Object.fromEntries(entries) as TypedPaper;
}

/**
 * Reads the fields of a family; the first that cannot be read or cannot be is the fault.
 * @param before the paper that filled the fields: a figure that stands as it was printed is its exact one
 */
export function readPaper(
  family: PaperFamily,
  typed: TypedPaper,
  system: UnitSystem,
  before?: Paper,
): PaperReading {
  const figures: Record<string, unknown> = { family };
  const known = before?.family === family ? before : undefined;
  const printed = known ? typedFromPaper(known, system) : {};
  for (const { name, label, type } of PAPER_FAMILIES[family].fields) {
    const text = typed[name] ?? '';
    if (known && text === printed[name]) {
      figures[name] = (known as unknown as Record<string, unknown>)[name];
      continue;
    }
    try {
      figures[name] = readFigure(text, type, system, name);
    } catch (error) {
      if (!(error instanceof InvalidInputError)) throw error;
      return { fault: { what: `${label}: ${error.message}`, mend: error.mend, where: name } };
    }
  }
  const paper = figures as unknown as Paper;
  try {
    return { paper, outline: makePaper(paper) };
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    return { fault: { what: error.message, mend: error.mend, where: error.place.name ?? '' } };
  }
}

function readFigure(text: string, type: string, system: UnitSystem, name: string): unknown {
  const length = (one: string) => parseLength(one, system === 'inch' ? 'in' : 'mm');
  const parts = text
    .split(/[,;]/)
    .map((one) => one.trim())
    .filter(Boolean);
  switch (type) {
    case 'length':
      return length(text);
    case 'lengths':
      return parts.map(length);
    case 'angles':
      return parts.map(readNumber);
    case 'choice':
      return name === 'sides' ? Number(text) : text;
    default:
      return readNumber(text);
  }
}

function readNumber(text: string): number {
  const plain = text.replace('°', '').replace(',', '.').trim();
  if (!/^\d{1,4}(\.\d{1,4})?$/.test(plain))
    throw new InvalidInputError('number', `“${text}” is no number.`, 'Write it in figures.');
  return Number(plain);
}
