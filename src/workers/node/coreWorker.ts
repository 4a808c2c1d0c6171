/** Worker thread of the server: runs core functions off the thread that answers requests, by name. */
import type { AssemblyPlan, SewingSettings } from '@/core/assembly';
import type { BagSettings } from '@/core/bags';
import { BLOCK_FORMAT, type BlockDocument } from '@/core/block';
import { InvalidInputError } from '@/core/errors';
import type { DrawingOptions } from '@/core/formats';
import { blockSheet, planOrder, type BlockSheet } from '@/core/sheet';
import { readDrawing, type Colours } from '../readDrawing';

/** What a drawing became, or why it is refused: errors lose their class between threads. */
export type ReadDrawing =
  | { readonly document: BlockDocument; readonly colours: Colours }
  | { readonly refusal: Pick<InvalidInputError, 'code' | 'message' | 'mend' | 'place'> };

/** The order of sewing: by far the longest part of a sheet, and the same whatever the settings are. */
export function order({
  document,
  sewing,
}: {
  document: Pick<BlockDocument, 'patches' | 'order'>;
  sewing: Partial<SewingSettings>;
}): AssemblyPlan {
  return planOrder(document.patches, document.order, sewing);
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
  known: Colours;
}): ReadDrawing {
  try {
    const { patches, faults, parts, rules, order, basting, notes, colours } = readDrawing(
      text,
      { ...options, isSnapped },
      known,
    );
    const [fault] = faults;
    if (fault)
      throw new InvalidInputError(fault.code, fault.message, fault.mend, {
        name: fault.shape,
        line: fault.line,
      });
    const more = { parts, rules, order, basting, notes };
    const given = Object.fromEntries(Object.entries(more).filter(([, value]) => value !== undefined));
    return { document: { format: BLOCK_FORMAT, patches, ...given }, colours };
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    const { code, message, mend, place } = error;
    return { refusal: { code, message, mend, place } };
  }
}
