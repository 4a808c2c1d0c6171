import { PAPER_FAMILIES, makePaper, type Paper, type PaperFamily } from '@/core/catalogue';
import type { Outline } from '@/core/geometry';
import type { UnitSystem } from '@/core/length';
import { attempt, printFigures, readFigures, type Fault, type Typed } from './figures';

/** What typed figures make: the paper and its outline, or what is wrong with them. */
export type PaperReading =
  | { readonly paper: Paper; readonly outline: Outline; readonly fault?: undefined }
  | { readonly fault: Fault };

/** The fields as a paper would fill them, lengths in the unit of the project. */
export function typedFromPaper(paper: Paper, system: UnitSystem): Typed {
  return printFigures(PAPER_FAMILIES[paper.family].fields, { ...paper }, system);
}

/**
 * Reads the fields of a family; the first that cannot be read or cannot be is the fault.
 * @param before the paper that filled the fields: a figure that stands as it was printed is its exact one
 */
export function readPaper(
  family: PaperFamily,
  typed: Typed,
  system: UnitSystem,
  before?: Paper,
): PaperReading {
  const known = before?.family === family ? { ...before } : {};
  const { figures, fault } = readFigures(PAPER_FAMILIES[family].fields, typed, system, known);
  if (fault) return { fault };
  const paper = paperOf(family, figures);
  const made = attempt(() => makePaper(paper));
  return made.fault ? { fault: made.fault } : { paper, outline: made.value };
}

/** The fields of a family are the figures of its paper; the number of sides is chosen from a list, as text. */
function paperOf(family: PaperFamily, figures: Readonly<Record<string, unknown>>): Paper {
  const sides = 'sides' in figures ? { sides: Number(figures.sides) } : {};
  return { family, ...figures, ...sides } as Paper;
}
