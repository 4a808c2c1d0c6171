import { isColour, nameCloths } from '@/core/cloth';
import { importDrawing, type DrawingOptions, type ImportedBlock } from '@/core/formats';
import { guessPapers, snapToPapers, type PaperGuess } from '@/core/workshop';

/** Colours of cloths as #rrggbb, by name. */
export type Colours = Readonly<Record<string, string>>;

export interface ReadOptions extends DrawingOptions {
  /** Whether patches that are nearly a known paper become that paper. */
  readonly isSnapped?: boolean;
}

/** A drawing as its preview shows it and as the server saves it: the same patches in the same cloths. */
export interface NamedDrawing extends ImportedBlock {
  /** Of the cloths whose colour the drawing tells. */
  readonly colours: Colours;
  /** Papers that patches nearly are; none where the drawing has faults. */
  readonly guesses: readonly PaperGuess[];
}

/**
 * Reads a drawing, snaps its patches to papers where that is wished, and names its cloths.
 * @param known cloths that the project has and their colours
 * @throws InvalidInputError when the text is no drawing
 */
export function readDrawing(text: string, options: ReadOptions, known: Colours): NamedDrawing {
  const { isSnapped = false, ...reading } = options;
  const asDrawn = importDrawing(text, reading);
  const guesses = asDrawn.faults.length > 0 ? [] : guessPapers(asDrawn.patches, options.system ?? 'inch');
  const patches = isSnapped ? snapToPapers(asDrawn.patches, guesses) : asDrawn.patches;
  const named = nameCloths(patches, known);
  const told = Object.entries(asDrawn.fills).filter(([, fill]) => isColour(fill));
  return {
    ...asDrawn,
    patches: named.patches,
    colours: { ...Object.fromEntries(told), ...named.colours },
    guesses,
  };
}
