/** Worker of `./kevlo fuzz`: reads, welds and plans one damaged file after another, and judges what comes of it. */
import { parentPort } from 'node:worker_threads';
import { InvalidInputError } from '@/core/errors';
import {
  importDrawing,
  importSvg,
  planDocument,
  readBlockFile,
  writeBlockFile,
  writeSvg,
} from '@/core/formats';
import { BLOCK_FORMAT, type Patch } from '@/core/block';

/** What the worker says of one input. */
export type Verdict =
  | { readonly kind: 'refused' }
  | { readonly kind: 'taken' }
  /** Taken, though what came of it is not sound. */
  | { readonly kind: 'unsound'; readonly why: string }
  | { readonly kind: 'crash'; readonly why: string };

parentPort?.on('message', (text: string) => parentPort?.postMessage(judge(text)));

/** Larger drawings take their time by right; they are read, but not planned. */
const MOST_PLANNED = 200;

function judge(text: string): Verdict {
  try {
    const { patches, faults, problems } = importDrawing(text);
    if (faults.length > 0) return { kind: 'refused' };
    if (patches.length > MOST_PLANNED) return { kind: 'taken' };
    const bad = firstBadNumber(planDocument(patches, problems, { allowanceMm: 6.35, system: 'metric' }));
    return bad ? { kind: 'unsound', why: `${bad} is no number` } : takenAgain(patches);
  } catch (error) {
    if (error instanceof InvalidInputError) return { kind: 'refused' };
    return { kind: 'crash', why: (error as Error).stack?.slice(0, 500) ?? String(error) };
  }
}

/** What was taken can be saved and is taken again. */
function takenAgain(patches: readonly Patch[]): Verdict {
  try {
    readBlockFile(writeBlockFile({ format: BLOCK_FORMAT, patches }));
    const { faults } = importSvg(writeSvg(patches, 'fuzz'));
    return faults.length === 0 ? { kind: 'taken' } : { kind: 'unsound', why: faults[0]?.message ?? '' };
  } catch (error) {
    return { kind: 'unsound', why: String(error) };
  }
}

function firstBadNumber(value: unknown, place = ''): string | undefined {
  if (typeof value === 'number') return Number.isFinite(value) ? undefined : place;
  if (typeof value !== 'object' || value === null) return undefined;
  for (const [key, inner] of Object.entries(value)) {
    const bad = firstBadNumber(inner, `${place}.${key}`);
    if (bad) return bad;
  }
  return undefined;
}
