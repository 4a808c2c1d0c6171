import type { BlockDocument } from '@/core/block';
import {
  doneWork,
  foldEvents,
  standing,
  type ProgressEvent,
  type StepOfPatches,
  type StepUnits,
} from '@/core/progress';
import { Making, roundWork, type BlockSummary } from '@/core/sheet';
import { listSummaries, readDocument, summariesFor, type SheetSettings, type ToBeSheeted } from '../blocks';
import { listMakers } from '../makers';
import { readEvents, readUnits } from './events';
import { stepTable } from './stepTable';
import { contentHash, type Sql } from '../database';
import type { Project } from '../projects';

/** How far a maker is with a block, by the steps that are theirs. */
export interface MakerStanding {
  readonly summary: BlockSummary;
  readonly done: ReadonlySet<string>;
  /** Steps never ticked whose patches are basted or sewn all the same, by an older order. */
  readonly covered: ReadonlySet<string>;
  readonly stuck: ReadonlySet<string>;
  readonly orphaned: readonly string[];
  /** Steps that were done with other papers or cloth than they take now, and so are not done. */
  readonly changed: ReadonlySet<string>;
  /** The block with an order of this maker's own, which goes round what they sewed by an older one. */
  readonly own?: ToBeSheeted;
}

/** A block of a project, its settings, and one maker's events on it. */
interface MakersBlock {
  readonly project: Project;
  readonly settings: SheetSettings;
  readonly makerId: string;
  readonly block: { readonly id: string; readonly summary: BlockSummary };
  readonly events: readonly ProgressEvent[];
}

/** One maker and one block that they sew, with what was recorded of it and how it stands. */
export interface PairStanding {
  readonly makerId: string;
  readonly blockId: string;
  readonly standing: MakerStanding;
  readonly events: readonly ProgressEvent[];
}

/** Every maker, or some, with every block that they sew. */
export async function standingsOf(
  sql: Sql,
  project: Project,
  makerIds?: readonly string[],
): Promise<PairStanding[]> {
  const [{ blocks, settings }, makers, all] = await Promise.all([
    listSummaries(sql, project),
    listMakers(sql, project),
    readEvents(sql, project, makerIds),
  ]);
  const byPair = new Map(all.map((one) => [`${one.makerId}/${one.blockId}`, one.events]));
  const asked = makerIds === undefined ? makers : makers.filter(({ id }) => makerIds.includes(id));
  const pairs = asked.flatMap(({ id, skips }) =>
    blocks.filter((block) => !skips.includes(block.id)).map((block) => ({ makerId: id, block })),
  );
  // Of two hundred makers and as many blocks most pairs are not begun: a promise for each would take longer than all else.
  const begun = await Promise.all(
    pairs.flatMap(({ makerId, block }) => {
      const events = byPair.get(`${makerId}/${block.id}`);
      return events ? [standingOf(sql, { project, settings, makerId, block, events })] : [];
    }),
  );
  const known = new Map(begun.map((one) => [`${one.makerId}/${one.blockId}`, one]));
  return pairs.map(
    ({ makerId, block }) =>
      known.get(`${makerId}/${block.id}`) ?? {
        makerId,
        blockId: block.id,
        standing: untouched(block.summary),
        events: [],
      },
  );
}

async function standingOf(sql: Sql, begun: MakersBlock): Promise<PairStanding> {
  const { makerId, block, events } = begun;
  return { makerId, blockId: block.id, standing: await makerStanding(sql, begun), events };
}

const NOTHING: ReadonlySet<string> = new Set();

/** A block that a maker has not begun. */
function untouched(summary: BlockSummary): MakerStanding {
  return { summary, done: NOTHING, covered: NOTHING, stuck: NOTHING, changed: NOTHING, orphaned: [] };
}

/**
 * How far one maker is with a block. Work done by an older order counts where its patches are together; where the
 * present order would take it apart, the maker gets an order of their own that goes round it.
 */
export async function makerStanding(
  sql: Sql,
  { project, settings, makerId, block, events }: MakersBlock,
): Promise<MakerStanding> {
  const { summary } = block;
  const { ids, made } = stepTable(summary);
  const common = foldEvents(events, ids, (id) => made.get(id));
  const simple = { ...common, summary, covered: new Set<string>() };
  if (common.orphaned.length === 0) return simple;
  const unitsOf = await readUnits(sql, project, makerId, block.id);
  const known = ticked([...common.done, ...common.orphaned], unitsOf).filter((step) =>
    isAsMade(step, events, summary),
  );
  const work = doneWork(known);
  // What is known by its patches counts by what it made; the rest is listed.
  const named = new Set(known.map(({ id }) => id));
  const unknown = (ids: readonly string[]) => ids.filter((id) => !named.has(id));
  const { covered, isAtOdds } = standing(summary.steps, common.done, work);
  if (!isAtOdds) return { ...simple, covered: new Set(covered), orphaned: unknown(common.orphaned) };
  const document = await readDocument(sql, project, block.id);
  const round: BlockDocument = { ...document, order: roundWork(document.order, work) };
  const own: ToBeSheeted = { id: block.id, document: () => round, contentHash: contentHash(round) };
  const [theirs] = await summariesFor(sql, [own], settings);
  const now = stepTable(theirs as BlockSummary);
  const folded = foldEvents(events, now.ids, (id) => now.made.get(id));
  const stands = standing((theirs as BlockSummary).steps, folded.done, work);
  return {
    ...folded,
    summary: theirs as BlockSummary,
    covered: new Set(stands.covered),
    orphaned: unknown(folded.orphaned),
    own,
  };
}

/** Whether the patches of a step that was done are still what they were then. */
function isAsMade(
  { id, units }: StepOfPatches,
  events: readonly ProgressEvent[],
  { marks }: BlockSummary,
): boolean {
  const made = events.findLast((event) => event.stepId === id && event.kind === 'done')?.made;
  return made === undefined || made === new Making((patch) => marks[patch]).of(units.flat());
}

/** Steps that are done whose patches are known. */
function ticked(done: readonly string[], unitsOf: ReadonlyMap<string, StepUnits>): StepOfPatches[] {
  return done.flatMap((id): StepOfPatches[] => {
    const [kind, units] = [id.split('-')[0], unitsOf.get(id)];
    return units && (kind === 'join' || kind === 'baste') ? [{ id, kind, units }] : [];
  });
}
