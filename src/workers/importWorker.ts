/** Web worker: reads and plans drawings and compares papers off the main thread. Ending the worker cancels it. */
import { expose } from 'comlink';
import type { BagSettings } from '@/core/bags';
import { InvalidInputError } from '@/core/errors';
import { importDrawing, type ImportedDrawing, type ImportOptions } from '@/core/formats';
import { findLookAlikes, type LookAlike, type NamedPaper } from '@/core/shapes';
import { blockSheet, type BlockSheet } from '@/core/sheet';

export type Preview =
  | { readonly kind: 'refused'; readonly what: string; readonly mend: string; readonly code: string }
  | { readonly kind: 'faulty'; readonly drawing: ImportedDrawing }
  | { readonly kind: 'good'; readonly drawing: ImportedDrawing; readonly sheet: BlockSheet };

const api = {
  lookAlikes: (papers: readonly NamedPaper[]): LookAlike[] => findLookAlikes(papers),

  preview(
    svg: string,
    options: ImportOptions,
    settings: BagSettings,
    onProgress: (share: number) => void,
  ): Preview {
    try {
      const drawing = importDrawing(svg, options);
      if (drawing.faults.length > 0) return { kind: 'faulty', drawing };
      const sheet = blockSheet(drawing.patches, settings, (share) => {
        onProgress(share);
        return true;
      });
      return { kind: 'good', drawing, sheet };
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
