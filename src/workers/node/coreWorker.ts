/** Worker thread of the server: runs core functions off the thread that answers requests, by name. */
import type { AssemblyPlan } from '@/core/assembly';
import type { BagSettings } from '@/core/bags';
import { BLOCK_FORMAT, type BlockDocument } from '@/core/block';
import { isColour, nameCloths } from '@/core/cloth';
import { InvalidInputError } from '@/core/errors';
import { importDrawing, type DrawingOptions } from '@/core/formats';
import { blockSheet, planOrder, type BlockSheet } from '@/core/sheet';
import { guessPapers, snapToPapers } from '@/core/workshop';

/** What a drawing became, or why it is refused: errors lose their class between threads. */
export type ReadDrawing =
  | { readonly document: BlockDocument; readonly colours: Readonly<Record<string, string>> }
  | { readonly refusal: Pick<InvalidInputError, 'code' | 'message' | 'mend' | 'place'> };

/** The order of sewing: by far the longest part of a sheet, and the same whatever the settings are. */
export function order({ document }: { document: Pick<BlockDocument, 'patches' | 'order'> }): AssemblyPlan {
  return planOrder(document.patches, document.order);
}

export function sheet({
  document,
  settings,
  plan,
}: {
  document: BlockDocument;
  settings: BagSettings;
  plan: AssemblyPlan;
}): BlockSheet {
  return blockSheet(document.patches, settings, undefined, document, plan);
}

export function drawing({
  text,
  options,
  isSnapped,
  known,
}: {
  text: string;
  options: DrawingOptions;
  isSnapped: boolean;
  /** Cloths of the project and their colours. */
  known: Readonly<Record<string, string>>;
}): ReadDrawing {
  try {
    const {
      patches: drawn,
      faults,
      fills,
      parts,
      rules,
      order,
      basting,
      notes,
    } = importDrawing(text, options);
    const [fault] = faults;
    if (fault)
      throw new InvalidInputError(fault.code, fault.message, fault.mend, {
        name: fault.shape,
        line: fault.line,
      });
    const patches = isSnapped ? snapToPapers(drawn, guessPapers(drawn, options.system ?? 'inch')) : drawn;
    const more = { parts, rules, order, basting, notes };
    const given = Object.fromEntries(Object.entries(more).filter(([, value]) => value !== undefined));
    const named = nameCloths(patches, known);
    return {
      document: { format: BLOCK_FORMAT, patches: named.patches, ...given },
      colours: { ...coloursOf(fills), ...named.colours },
    };
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    const { code, message, mend, place } = error;
    return { refusal: { code, message, mend, place } };
  }
}

/** Of the fills that a drawing gives its named cloths those that are colours. */
function coloursOf(fills: Readonly<Record<string, string>>): Record<string, string> {
  return Object.fromEntries(Object.entries(fills).filter(([, fill]) => isColour(fill)));
}
