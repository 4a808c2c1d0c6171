import { ownSewing, type AssemblyPlan, type SewingSettings } from '@/core/assembly';
import type { BagSettings } from '@/core/bags';
import type { BlockDocument } from '@/core/block';
import type { MarkedPaper } from '@/core/shapes';
import { summarise, type BlockSheet, type BlockSummary } from '@/core/sheet';
import { type Sql, derived, derivedAll, contentHash, hashOf } from '../database';
import { offThread } from '../pool';
import type { Project } from '../projects';

/** Raised whenever the core computes something else from the same document. */
const SHEET_VERSION = 23;

/** The project's settings that a sheet depends on. */
export function sheetSettings(
  { allowanceMm, sparesPercent, unitSystem, basting, sewing }: Project,
  marks: readonly MarkedPaper[] = [],
): BagSettings {
  return { allowanceMm, sparesPercent, system: unitSystem, marks, basting, sewing: ownSewing(sewing) };
}

/** Raised whenever the core orders the same patches otherwise. */
const ORDER_VERSION = 3;

/** What a sheet is made from. */
export interface ToBeSheeted {
  readonly contentHash: string;
  /** Asked for only where the sheet has to be computed. */
  readonly document: () => BlockDocument | Promise<BlockDocument>;
}

/** The sheet of a block, from the cache or computed in a worker thread. */
export async function sheetFor(
  sql: Sql,
  block: ToBeSheeted,
  settings: BagSettings,
  signal?: AbortSignal,
): Promise<BlockSheet> {
  const [sheet] = await sheetsFor(sql, [block], settings, signal);
  return sheet as BlockSheet;
}

/**
 * The sheets of blocks, from the cache or computed in worker threads. The order of sewing is kept by itself, so that
 * another allowance, another mark or another way of folding plans nothing anew.
 */
export function sheetsFor(
  sql: Sql,
  blocks: readonly ToBeSheeted[],
  settings: BagSettings,
  signal?: AbortSignal,
): Promise<BlockSheet[]> {
  return derivedAll(
    sql,
    blocks.map(({ document: read, contentHash: hash }) => ({
      key: `sheet/${keyOf(hash, settings)}`,
      compute: async () => {
        const document = await read();
        const plan = await orderFor(sql, document, settings.sewing ?? {}, signal);
        return offThread('sheet', { document, settings, plan }, signal);
      },
    })),
  );
}

/** The summaries of blocks; where one is kept its sheet is not even read. */
export function summariesFor(
  sql: Sql,
  blocks: readonly ToBeSheeted[],
  settings: BagSettings,
): Promise<BlockSummary[]> {
  return derivedAll(
    sql,
    blocks.map((block) => ({
      key: `summary/${keyOf(block.contentHash, settings)}`,
      compute: async () => summarise(await sheetFor(sql, block, settings)),
    })),
  );
}

/** What a sheet depends on, as part of its key. */
function keyOf(hash: string, settings: BagSettings): string {
  const { allowanceMm, sparesPercent, system, marks = [], basting = {}, sewing = {} } = settings;
  const isPlain = marks.length === 0 && Object.keys(basting).length === 0;
  const marked = isPlain ? '' : `/${hashOf(marks, basting)}`;
  const made = `${allowanceMm}/${sparesPercent}/${system}${marked}${sewnBy(sewing)}`;
  return `${SHEET_VERSION}.${ORDER_VERSION}/${hash}/${made}`;
}

function orderFor(
  sql: Sql,
  { patches, order }: BlockDocument,
  sewing: Partial<SewingSettings>,
  signal?: AbortSignal,
): Promise<AssemblyPlan> {
  const document = { patches, ...(order ? { order } : {}) };
  const key = `order/${ORDER_VERSION}/${contentHash(document)}${sewnBy(sewing)}`;
  return derived(sql, key, () => offThread('order', { document, sewing }, signal));
}

/** Part of a key; nothing for a project that sews as everybody does. */
function sewnBy(sewing: Partial<SewingSettings>): string {
  return Object.keys(sewing).length === 0 ? '' : `/${contentHash(sewing)}`;
}
