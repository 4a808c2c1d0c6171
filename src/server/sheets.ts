import { createHash } from 'node:crypto';
import type { BagSettings } from '@/core/bags';
import type { BlockDocument } from '@/core/block';
import type { MarkedPaper } from '@/core/shapes';
import type { BlockSheet } from '@/core/sheet';
import type { Sql } from './database';
import { derived, hashOf } from './derived';
import { offThread } from './pool';
import type { Project } from './projects';

/** Raised whenever the core computes something else from the same document. */
const SHEET_VERSION = 15;

/** The project's settings that a sheet depends on. */
export function sheetSettings(
  { allowanceMm, sparesPercent, unitSystem, basting }: Project,
  marks: readonly MarkedPaper[] = [],
): BagSettings {
  return { allowanceMm, sparesPercent, system: unitSystem, marks, basting };
}

/**
 * Hash of a document's content: the same document has the same hash everywhere, in whatever order the database or a
 * browser wrote the names within it.
 */
export function contentHash(document: BlockDocument): string {
  const inOrder = (_: string, value: unknown) =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([p], [q]) => (p < q ? -1 : 1)))
      : value;
  return createHash('sha256').update(JSON.stringify(document, inOrder)).digest('hex');
}

/** The sheet of a block, from the cache or computed in a worker thread. */
export async function sheetFor(
  sql: Sql,
  block: { readonly document: BlockDocument; readonly contentHash: string },
  settings: BagSettings,
  signal?: AbortSignal,
): Promise<BlockSheet> {
  const { allowanceMm, sparesPercent, system, marks = [], basting = {} } = settings;
  const isPlain = marks.length === 0 && Object.keys(basting).length === 0;
  const marked = isPlain ? '' : `/${hashOf(marks, basting)}`;
  const key = `sheet/${SHEET_VERSION}/${block.contentHash}/${allowanceMm}/${sparesPercent}/${system}${marked}`;
  return derived(sql, key, () => offThread('sheet', { document: block.document, settings }, signal));
}
