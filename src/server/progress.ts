import type postgres from 'postgres';
import { foldEvents, type ProgressEvent } from '@/core/progress';
import { listBlocks, type BlockWithSheet } from './blocks';
import { inTransaction, type Sql } from './database';
import { invalid, notFound } from './errors';
import { makerOfLink } from './makers';
import { notify } from './notify';
import { projectById, type Project } from './projects';

export interface RecordedEvent extends ProgressEvent {
  readonly blockId: string;
  readonly minutes?: number;
  readonly device?: string;
}

/** How far one maker is with one block. */
export interface BlockProgress {
  readonly makerId: string;
  readonly blockId: string;
  readonly done: number;
  readonly total: number;
  readonly doneMinutes: number;
  readonly totalMinutes: number;
  /** Text of the step on which the maker asked for help. */
  readonly stuckOn?: string;
  readonly orphaned: number;
  readonly lastAt?: string;
}

/** A device's clock may run this far ahead before its time is replaced by ours, ms. */
const CLOCK_SLACK_MS = 5 * 60_000;

/**
 * Records a maker's events. Sending the same ones again changes nothing, so a device may always repeat.
 * @returns client ids that are now safe in the database
 */
export async function recordEvents(
  sql: postgres.Sql,
  token: string,
  events: readonly RecordedEvent[],
): Promise<string[]> {
  const maker = await makerOfLink(sql, token);
  await inTransaction(sql, async (step) => {
    const blockIds = [...new Set(events.map(({ blockId }) => blockId))];
    const own =
      await step`select id from block where project_id = ${maker.projectId} and id = any(${blockIds})`;
    if (own.length !== blockIds.length) throw notFound('This block');
    let added = 0;
    for (const event of events) {
      const time = Math.min(Date.parse(event.at), Date.now() + CLOCK_SLACK_MS);
      if (Number.isNaN(time))
        throw invalid('The time of an entry cannot be read.', 'Check the clock of the device.', 'at');
      const rows = await step`
        insert into progress_event (client_id, maker_id, block_id, step_id, kind, minutes, at, device)
        values (${event.clientId}, ${maker.id}, ${event.blockId}, ${event.stepId}, ${event.kind},
          ${event.minutes ?? null}, ${new Date(time).toISOString()}, ${event.device ?? ''})
        on conflict (maker_id, client_id) do nothing returning id`;
      added += rows.length;
    }
    if (added > 0) await notify(step, maker.projectId, 'progress');
  });
  return events.map(({ clientId }) => clientId);
}

interface EventRow extends ProgressEvent {
  readonly makerId: string;
  readonly blockId: string;
}

async function readEvents(sql: Sql, projectId: string, makerId?: string): Promise<EventRow[]> {
  const rows = await sql<(Omit<EventRow, 'at'> & { at: Date })[]>`
    select e.client_id as "clientId", e.maker_id as "makerId", e.block_id as "blockId", e.step_id as "stepId", e.kind, e.at
    from progress_event e join maker m on m.id = e.maker_id
    where m.project_id = ${projectId} ${makerId ? sql`and m.id = ${makerId}` : sql``}
    order by e.id`;
  return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
}

/** Every maker's progress on every block of a project. */
export async function projectProgress(sql: Sql, project: Project): Promise<BlockProgress[]> {
  const blocks = await listBlocks(sql, project);
  const makers = await sql<{ id: string }[]>`
    select id from maker where project_id = ${project.id} and removed_at is null`;
  const byPair = new Map<string, EventRow[]>();
  for (const event of await readEvents(sql, project.id)) {
    const key = `${event.makerId}/${event.blockId}`;
    byPair.set(key, [...(byPair.get(key) ?? []), event]);
  }
  return makers.flatMap(({ id }) =>
    blocks.map((block) => progressOf(id, block, byPair.get(`${id}/${block.id}`) ?? [])),
  );
}

function progressOf(
  makerId: string,
  { id, sheet }: BlockWithSheet,
  events: readonly EventRow[],
): BlockProgress {
  const { done, stuck, orphaned } = foldEvents(
    events,
    sheet.steps.map((step) => step.id),
  );
  const minutes = (steps: typeof sheet.steps) => steps.reduce((sum, step) => sum + step.minutes, 0);
  const stuckOn = sheet.steps.find((step) => stuck.has(step.id))?.text;
  const lastAt = events
    .map(({ at }) => at)
    .sort()
    .at(-1);
  return {
    makerId,
    blockId: id,
    done: done.size,
    total: sheet.steps.length,
    doneMinutes: minutes(sheet.steps.filter((step) => done.has(step.id))),
    totalMinutes: minutes(sheet.steps),
    orphaned: orphaned.length,
    ...(stuckOn === undefined ? {} : { stuckOn }),
    ...(lastAt === undefined ? {} : { lastAt }),
  };
}

/** What a maker's own page shows: their blocks with every step, and what they have done. Nobody else's. */
export async function makerPage(sql: Sql, token: string) {
  const maker = await makerOfLink(sql, token);
  const project = await projectById(sql, maker.projectId);
  const blocks = await listBlocks(sql, project);
  const events = await readEvents(sql, project.id, maker.id);
  return {
    maker: { name: maker.name },
    project: { name: project.name, shop: project.shop, unitSystem: project.unitSystem },
    blocks: blocks.map(({ id, name, sheet }) => {
      const own = events.filter(({ blockId }) => blockId === id);
      const { done, stuck } = foldEvents(
        own,
        sheet.steps.map((step) => step.id),
      );
      return { id, name, sheet, done: [...done], stuck: [...stuck] };
    }),
  };
}
