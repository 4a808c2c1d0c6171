import type { BagSettings } from '@/core/bags';
import type { BlockDocument } from '@/core/block';
import { doneWork, foldEvents, standing, type ProgressEvent, type StepOfPatches } from '@/core/progress';
import { roundWork, withUnits, type BlockSheet } from '@/core/sheet';
import { type BlockWithSheet, sheetFor } from '../blocks';
import { contentHash, type Sql } from '../database';

/** A maker's block: the steps for this maker, and how far they are. */
export interface MakerSheet {
  readonly sheet: BlockSheet;
  readonly done: ReadonlySet<string>;
  /** Steps never ticked whose patches are basted or sewn all the same, by an older order. */
  readonly covered: ReadonlySet<string>;
  readonly stuck: ReadonlySet<string>;
  readonly orphaned: readonly string[];
  /** Whether the order goes round what this maker sewed by an older one. */
  readonly isOwnOrder: boolean;
}

/**
 * The steps for one maker of a block. Work done by an older order counts where its patches are together; where the
 * present order would take it apart, the maker gets an order of their own that goes round it.
 */
export async function makerSheet(
  sql: Sql,
  settings: BagSettings,
  block: BlockWithSheet,
  events: readonly ProgressEvent[],
): Promise<MakerSheet> {
  const common = foldEvents(events, stepIds(block.sheet));
  const simple = { ...common, sheet: block.sheet, covered: new Set<string>(), isOwnOrder: false };
  if (common.orphaned.length === 0) return simple;
  const known = ticked(events, new Set([...common.done, ...common.orphaned]));
  const work = doneWork(known);
  // What is known by its patches counts by what it made; the rest is listed.
  const named = new Set(known.map(({ id }) => id));
  const unknown = (ids: readonly string[]) => ids.filter((id) => !named.has(id));
  const { covered, isAtOdds } = standing(stepsOf(block.sheet), common.done, work);
  if (!isAtOdds) return { ...simple, covered: new Set(covered), orphaned: unknown(common.orphaned) };
  const document = await documentOf(sql, block.id);
  const own: BlockDocument = { ...document, order: roundWork(document.order, work) };
  const sheet = await sheetFor(sql, { document: own, contentHash: contentHash(own) }, settings);
  const folded = foldEvents(events, stepIds(sheet));
  const round = standing(stepsOf(sheet), folded.done, work);
  return {
    ...folded,
    sheet,
    covered: new Set(round.covered),
    orphaned: unknown(folded.orphaned),
    isOwnOrder: true,
  };
}

function stepIds({ steps }: BlockSheet): string[] {
  return steps.map(({ id }) => id);
}

function stepsOf({ steps, patches }: BlockSheet): StepOfPatches[] {
  return steps.map((step) => withUnits(step, patches));
}

/** Ticked steps whose patches are known. */
function ticked(events: readonly ProgressEvent[], done: ReadonlySet<string>): StepOfPatches[] {
  const found = new Map<string, StepOfPatches>();
  for (const { stepId, units } of events) {
    const kind = stepId.split('-')[0];
    if (units && done.has(stepId) && (kind === 'join' || kind === 'baste'))
      found.set(stepId, { id: stepId, kind, units });
  }
  return [...found.values()];
}

async function documentOf(sql: Sql, blockId: string): Promise<BlockDocument> {
  const [row] = await sql<{ document: BlockDocument }[]>`select document from block where id = ${blockId}`;
  return (row as { document: BlockDocument }).document;
}
