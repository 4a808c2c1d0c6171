/** Web worker: reads and plans drawings and compares papers off the main thread. Ending the worker cancels it. */
import { expose } from 'comlink';
import type { BagSettings } from '@/core/bags';
import { InvalidInputError } from '@/core/errors';
import { findLookAlikes, type LookAlike, type NamedPaper } from '@/core/shapes';
import { blockSheet, type BlockSheet } from '@/core/sheet';
import { readDrawing, type Colours, type NamedDrawing, type ReadOptions } from './readDrawing';

export type Preview =
  | { readonly kind: 'refused'; readonly what: string; readonly mend: string; readonly code: string }
  | { readonly kind: 'faulty'; readonly drawing: NamedDrawing }
  | {
      readonly kind: 'good';
      readonly drawing: NamedDrawing;
      readonly sheet: BlockSheet;
    };

const api = {
  lookAlikes: (papers: readonly NamedPaper[]): LookAlike[] => findLookAlikes(papers),

  preview(
    svg: string,
    options: ReadOptions,
    settings: BagSettings,
    known: Colours,
    onProgress: (share: number) => void,
  ): Preview {
    try {
      const drawing = readDrawing(svg, { system: settings.system, ...options }, known);
      if (drawing.faults.length > 0) return { kind: 'faulty', drawing };
      const told = (share: number) => {
        onProgress(share);
        return true;
      };
      // A block file brings its own order, rules and basting: they are shown as the server will keep them.
      const sheet = blockSheet(drawing.patches, settings, told, drawing);
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
