import { EXACT_MM, makePaper, recognise, type Paper } from '@/core/catalogue';
import { InvalidInputError } from '@/core/errors';
import { importDrawing } from '@/core/formats';
import type { Outline } from '@/core/geometry';
import type { UnitSystem } from '@/core/length';
import { groupKinds, nameKinds, nameShape, signatureOf } from '@/core/shapes';

/** A paper out of a drawing, and the catalogue paper that it was perhaps meant to be. */
export interface DrawnPaper {
  readonly name: string;
  readonly outline: Outline;
  readonly meant?: {
    readonly name: string;
    readonly paper: Paper;
    readonly outline: Outline;
    readonly offMm: number;
  };
}

/** What a file holds, or why it cannot be used. */
export type DrawnPapers =
  | { readonly papers: readonly DrawnPaper[]; readonly fault?: undefined }
  | { readonly fault: { readonly what: string; readonly mend: string } };

/** Reads the papers of a drawing (SVG or block file): each kind once, with what it was perhaps meant to be. */
export function readDrawnPapers(text: string, system: UnitSystem): DrawnPapers {
  try {
    const { patches, faults } = importDrawing(text, { weldMm: 0 });
    const [fault] = faults;
    if (fault) return { fault: { what: fault.message, mend: fault.mend } };
    const { kinds } = groupKinds(patches.map(({ outline }) => outline));
    const names = nameKinds(kinds, system);
    return { papers: kinds.slice(0, 60).map(({ outline }, i) => drawn(names[i] ?? '', outline, system)) };
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    return { fault: { what: error.message, mend: error.mend } };
  }
}

function drawn(name: string, outline: Outline, system: UnitSystem): DrawnPaper {
  const found = recognise(outline, system);
  if (!found || found.offMm <= EXACT_MM) return { name, outline };
  const made = makePaper(found.paper);
  const meant = {
    name: nameShape(signatureOf(made), system),
    paper: found.paper,
    outline: made,
    offMm: found.offMm,
  };
  return { name, outline, meant };
}
