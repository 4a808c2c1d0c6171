import { ownSewing, type AssemblyPlan, type SewingSettings } from '@/core/assembly';
import type { BagSettings } from '@/core/bags';
import type { BlockDocument } from '@/core/block';
import type { BlockEnding } from '@/core/setting';
import type { MarkedPaper } from '@/core/shapes';
import { orderedBy, summarise, type BlockSheet, type BlockSummary } from '@/core/sheet';
import { type Sql, derived, derivedAll, contentHash, hashOf } from '../database';
import { offThread } from '../pool';
import type { Project } from '../projects';

/** Raised whenever the core computes something else from the same document. */
export const SHEET_VERSION = 42;

/** What sheets depend on besides their documents: figures of the project, and what its setting makes of each block. */
export interface SheetSettings extends BagSettings {
  readonly endings?: ReadonlyMap<string, BlockEnding>;
}

/** The project's settings that a sheet depends on. */
export function sheetSettings(
  { allowanceMm, sparesPercent, spareRules, unitSystem, basting, sewing, clothOrigins: origins }: Project,
  marks: readonly MarkedPaper[] = [],
  endings: ReadonlyMap<string, BlockEnding> = new Map(),
): SheetSettings {
  return {
    allowanceMm,
    sparesPercent,
    ...(spareRules ? { spareRules } : {}),
    system: unitSystem,
    marks,
    basting,
    sewing: ownSewing(sewing),
    origins,
    endings,
  };
}

/** Raised whenever the core orders the same patches otherwise. */
export const ORDER_VERSION = 12;

/** What a sheet is made from. */
export interface ToBeSheeted {
  /** Of a block that has a place in the project; none while it is only tried. */
  readonly id?: string;
  readonly contentHash: string;
  /** Asked for only where the sheet has to be computed. */
  readonly document: () => BlockDocument | Promise<BlockDocument>;
}

/** The sheet of a block, from the cache or computed in a worker thread. */
export async function sheetFor(
  sql: Sql,
  block: ToBeSheeted,
  settings: SheetSettings,
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
  settings: SheetSettings,
  signal?: AbortSignal,
): Promise<BlockSheet[]> {
  return derivedAll(
    sql,
    blocks.map(({ id, document: read, contentHash: hash }) => {
      const own = settingsFor(id, settings);
      return {
        key: `sheet/${keyOf(hash, own)}`,
        compute: async () => {
          const document = await read();
          const plan = await orderFor(sql, document, own.sewing ?? {}, signal);
          return offThread('sheet', { document, settings: own, plan }, signal);
        },
      };
    }),
  );
}

/** The summaries of blocks; where one is kept its sheet is not even read. */
export function summariesFor(
  sql: Sql,
  blocks: readonly ToBeSheeted[],
  settings: SheetSettings,
): Promise<BlockSummary[]> {
  return derivedAll(
    sql,
    blocks.map((block) => ({
      key: `summary/${keyOf(block.contentHash, settingsFor(block.id, settings))}`,
      compute: async () => summarise(await sheetFor(sql, block, settings)),
    })),
  );
}

/** The settings of one block: those of the project, with what its setting makes of this block. */
function settingsFor(id: string | undefined, { endings, ...rest }: SheetSettings): BagSettings {
  const ending = id === undefined ? undefined : endings?.get(id);
  return ending ? { ...rest, ending } : rest;
}

/** What a sheet depends on, as part of its key. */
function keyOf(hash: string, settings: BagSettings): string {
  const {
    allowanceMm,
    sparesPercent,
    spareRules = {},
    system,
    marks = [],
    basting = {},
    sewing = {},
    ending,
    origins = {},
  } = settings;
  const isPlain = marks.length === 0 && Object.keys(basting).length === 0;
  const marked = isPlain ? '' : `/${hashOf(marks, basting)}`;
  const ended = ending ? `/${hashOf(ending)}` : '';
  const renamed = Object.keys(origins).length > 0 ? `/${hashOf(origins)}` : '';
  const spares = Object.keys(spareRules).length > 0 ? `/${hashOf(spareRules)}` : '';
  const made = `${allowanceMm}/${sparesPercent}${spares}/${system}${marked}${sewnBy(sewing)}${ended}${renamed}`;
  return `${SHEET_VERSION}.${ORDER_VERSION}/${hash}/${made}`;
}

function orderFor(
  sql: Sql,
  { patches, order: choices }: BlockDocument,
  sewing: Partial<SewingSettings>,
  signal?: AbortSignal,
): Promise<AssemblyPlan> {
  const order = orderedBy(choices);
  const document = { patches, ...(order ? { order } : {}) };
  const key = `order/${ORDER_VERSION}/${contentHash(document)}${sewnBy(sewing)}`;
  return derived(sql, key, () => offThread('order', { document, sewing }, signal));
}

/** Part of a key; nothing for a project that sews as everybody does. */
function sewnBy(sewing: Partial<SewingSettings>): string {
  return Object.keys(sewing).length === 0 ? '' : `/${contentHash(sewing)}`;
}
