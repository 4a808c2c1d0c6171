import { randomUUID } from 'node:crypto';
import type postgres from 'postgres';
import { doneOf, plainUnits, rollUnits, ticksFor, type RollUnit, type Step } from '@/core/sheet';
import { listBlocks, listSummaries, type BlockWithSheet } from '../blocks';
import { inTransaction, json, type Sql } from '../database';
import { notFound } from '../errors';
import { notify } from '../live';
import { listMakers } from '../makers';
import { audit, type Access, type Project } from '../projects';
import { followTicks } from '../troubles';
import { readEvents } from './events';
import { makerStanding, standingsOf, type MakerStanding } from './makerStanding';

/** Where one maker is, as the roll is called: what they count on now. */
export interface RollLine {
  readonly makerId: string;
  readonly isAbsent: boolean;
  /** Their block that is not done yet; null where all are. */
  readonly now: {
    readonly blockId: string;
    readonly block: string;
    readonly isStuck: boolean;
    /** The work of the block; the first that is not all done is where they are. */
    readonly units: readonly {
      readonly key: string;
      readonly name: string;
      readonly count: number;
      readonly done: number;
    }[];
  } | null;
}

/** One thing said when the roll is called; its id is the page’s, so that it may be sent again. */
export type RollEntry = WorkEntry | AbsenceEntry;

interface Entry {
  readonly id: string;
  readonly makerId: string;
  readonly at: string;
}
type WorkEntry = Entry & { readonly blockId: string } & (
    | { readonly kind: 'count'; readonly key: string; readonly count: number }
    | { readonly kind: 'stuck' | 'unstuck' }
  );
type AbsenceEntry = Entry & { readonly kind: 'absent' | 'present'; readonly day: string };

/** Where everybody is. @param day today where the group meets */
export async function readRoll(sql: Sql, project: Project, day: string): Promise<RollLine[]> {
  const [makers, blocks, pairs, away] = await Promise.all([
    listMakers(sql, project),
    listBlocks(sql, project),
    standingsOf(sql, project),
    sql<{ makerId: string }[]>`
      select a.maker_id as "makerId" from absence a join maker m on m.id = a.maker_id
      where m.project_id = ${project.id} and a.day = ${day}`,
  ]);
  const absent = new Set(away.map(({ makerId }) => makerId));
  const ofBlock = new Map(blocks.map((block) => [block.id, { block, units: rollUnits(block.sheet.steps) }]));
  return makers.map(({ id }): RollLine => {
    const own = pairs.filter((pair) => pair.makerId === id);
    const open = own.find(({ standing }) => standing.summary.steps.some((step) => !isDone(standing, step.id)));
    const known = open && ofBlock.get(open.blockId);
    if (!open || !known) return { makerId: id, isAbsent: absent.has(id), now: null };
    const { standing } = open;
    return {
      makerId: id,
      isAbsent: absent.has(id),
      now: {
        blockId: open.blockId,
        block: known.block.name,
        isStuck: standing.stuck.size > 0,
        units: unitsOf(standing, known.units).map((unit) => ({
          key: unit.key,
          name: unit.name,
          count: unit.each.length,
          done: doneOf(unit, (step) => isDone(standing, step)),
        })),
      },
    };
  });
} // prettier-ignore

const isDone = ({ done, covered }: MakerStanding, stepId: string) => done.has(stepId) || covered.has(stepId);

/** Whoever goes round what they sewed by an older order counts by their own steps. */
function unitsOf(standing: MakerStanding, units: readonly RollUnit[]): readonly RollUnit[] {
  return standing.own ? plainUnits(standing.summary.steps) : units;
}

/**
 * Writes down what was said as the roll was called. Told twice, it counts once.
 * @throws ServerError 404 for a maker, block or piece of work that is not there
 */
export async function callRoll(
  sql: postgres.Sql,
  access: Access<'pack'>,
  entries: readonly RollEntry[],
): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    const [sheets, summaries] = [await listBlocks(step, project), await listSummaries(step, project)];
    for (const entry of entries) {
      const [maker] = await step`
        select 1 from maker where id = ${entry.makerId} and project_id = ${project.id} and removed_at is null for update`;
      if (!maker) throw notFound('This maker');
      if (!('day' in entry)) await record(step, access, { sheets, summaries }, entry);
      else if (entry.kind === 'absent')
        await step`insert into absence (maker_id, day) values (${entry.makerId}, ${entry.day}) on conflict do nothing`;
      else await step`delete from absence where maker_id = ${entry.makerId} and day = ${entry.day}`;
    }
    await audit(step, access, 'roll-called', { entries: entries.length });
    await notify(step, project.id, 'progress');
  });
}

interface Blocks {
  readonly sheets: readonly BlockWithSheet[];
  readonly summaries: Awaited<ReturnType<typeof listSummaries>>;
}

async function record(step: Sql, { project }: Access<'pack'>, blocks: Blocks, entry: WorkEntry): Promise<void> {
  const { blockId, makerId } = entry;
  const block = blocks.summaries.blocks.find(({ id }) => id === blockId);
  const sheet = blocks.sheets.find(({ id }) => id === blockId)?.sheet;
  if (!block || !sheet) throw notFound('This block');
  // Sent again: what it said is written down already.
  const [before] = await step`select 1 from progress_event where maker_id = ${makerId} and client_id = ${entry.id}`;
  if (before) return;
  const events = (await readEvents(step, project, [makerId])).find((own) => own.blockId === blockId)?.events ?? [];
  const { settings } = blocks.summaries;
  const standing = await makerStanding(step, { project, settings, makerId, block, events });
  const ticks = ticksOf(entry, standing, sheet.steps).map((tick, index) => ({ ...tick, clientId: index === 0 ? entry.id : randomUUID(), blockId, at: new Date(Math.min(Date.parse(entry.at), Date.now())).toISOString() }));
  for (const { clientId, stepId, kind, at } of ticks) {
    const { units = null } = standing.summary.steps.find(({ id }) => id === stepId) ?? {};
    const made = sheet.steps.find(({ id }) => id === stepId)?.made ?? null;
    await step`
      insert into progress_event (client_id, maker_id, block_id, step_id, kind, at, device, units, made)
      values (${clientId}, ${makerId}, ${blockId}, ${stepId}, ${kind}, ${at}, 'roll call', ${units && json(step, units)}, ${made})
      on conflict do nothing`;
  }
  if (await followTicks(step, makerId, ticks)) await notify(step, project.id, 'troubles');
} // prettier-ignore

function ticksOf(entry: WorkEntry, standing: MakerStanding, steps: readonly Step[]): { stepId: string; kind: 'done' | 'undone' | 'stuck' }[] {
  if (!('key' in entry)) {
    if (entry.kind === 'unstuck') return [...standing.stuck].map((stepId) => ({ stepId, kind: 'undone' }));
    const open = standing.summary.steps.find(({ id }) => !isDone(standing, id));
    return open ? [{ stepId: open.id, kind: 'stuck' }] : [];
  }
  const unit = unitsOf(standing, rollUnits(steps)).find(({ key }) => key === entry.key);
  if (!unit) throw notFound('This piece of work');
  return ticksFor(unit, Math.min(entry.count, unit.each.length), (id) => isDone(standing, id));
} // prettier-ignore
