import { createHash } from 'node:crypto';
import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type postgres from 'postgres';
import type { BagSettings } from '@/core/bags';
import type { BlockDocument } from '@/core/block';
import type { BlockSheet } from '@/core/sheet';
import type { Sql } from './database';
import type { Project } from './projects';

/** Raised whenever the core computes something else from the same document. */
const SHEET_VERSION = 2;

/** The project's settings that a sheet depends on. */
export function sheetSettings({ allowanceMm, sparesPercent, unitSystem }: Project): BagSettings {
  return { allowanceMm, sparesPercent, system: unitSystem };
}

/** Hash of a document's content: the same document has the same hash everywhere. */
export function contentHash(document: BlockDocument): string {
  return createHash('sha256').update(JSON.stringify(document)).digest('hex');
}

/** The sheet of a block, from the cache or computed in a worker thread. */
export async function sheetFor(
  sql: Sql,
  block: { readonly document: BlockDocument; readonly contentHash: string },
  settings: BagSettings,
): Promise<BlockSheet> {
  const { allowanceMm, sparesPercent, system } = settings;
  const key = `sheet/${SHEET_VERSION}/${block.contentHash}/${allowanceMm}/${sparesPercent}/${system}`;
  const [row] = await sql<{ result: BlockSheet }[]>`select result from derived where key = ${key}`;
  if (row) return row.result;
  const sheet = await computeSheet(block.document, settings);
  await sql`
    insert into derived (key, result) values (${key}, ${sql.json(sheet as unknown as postgres.JSONValue)})
    on conflict (key) do nothing`;
  return sheet;
}

function computeSheet(document: BlockDocument, settings: BagSettings): Promise<BlockSheet> {
  const root = process.env.KEVLO_ROOT ?? process.cwd();
  const file = path.join(/*turbopackIgnore: true*/ root, 'dist', 'cli', 'sheetWorker.js');
  return new Promise((resolve, reject) => {
    const worker = new Worker(file, { workerData: { patches: document.patches, settings } });
    worker.once('message', (sheet: BlockSheet) => resolve(sheet));
    worker.once('error', reject);
    worker.once('exit', (code) => code !== 0 && reject(new Error(`The sheet worker ended with ${code}.`)));
  });
}
