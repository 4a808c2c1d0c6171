/** Web worker: reads and plans drawings and compares papers off the main thread. Ending the worker cancels it. */
import { expose } from 'comlink';
import type { BagSettings } from '@/core/bags';
import { nameCloths } from '@/core/cloth';
import { InvalidInputError } from '@/core/errors';
import { importDrawing, type DrawingOptions, type ImportedBlock } from '@/core/formats';
import { guessPapers, snapToPapers, type PaperGuess } from '@/core/workshop';
import { findLookAlikes, type LookAlike, type NamedPaper } from '@/core/shapes';
import { blockSheet, type BlockSheet } from '@/core/sheet';

export type Preview =
  | { readonly kind: 'refused'; readonly what: string; readonly mend: string; readonly code: string }
  | { readonly kind: 'faulty'; readonly drawing: ImportedBlock }
  | {
      readonly kind: 'good';
      readonly drawing: ImportedBlock;
      readonly sheet: BlockSheet;
      readonly guesses: readonly PaperGuess[];
    };

const api = {
  lookAlikes: (papers: readonly NamedPaper[]): LookAlike[] => findLookAlikes(papers),

  preview(
    svg: string,
    options: DrawingOptions & { readonly isSnapped?: boolean },
    settings: BagSettings,
    onProgress: (share: number) => void,
  ): Preview {
    try {
      const asDrawn = importDrawing(svg, { system: settings.system, ...options });
      const guesses = asDrawn.faults.length > 0 ? [] : guessPapers(asDrawn.patches, settings.system);
      const drawn = options.isSnapped
        ? { ...asDrawn, patches: snapToPapers(asDrawn.patches, guesses) }
        : asDrawn;
      const drawing = { ...drawn, patches: nameCloths(drawn.patches).patches };
      if (drawing.faults.length > 0) return { kind: 'faulty', drawing };
      const sheet = blockSheet(drawing.patches, settings, (share) => {
        onProgress(share);
        return true;
      });
      return { kind: 'good', drawing, sheet, guesses };
    } catch (error) {
      if (error instanceof InvalidInputError) {
        return { kind: 'refused', what: error.message, mend: error.mend, code: error.code };
      }
      throw error;
    }
  },
};

export type ImportWorker = typeof api;

expose(api);
