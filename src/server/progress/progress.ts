import { inOwnOrder, ownBag, sayChoice } from '@/core/bags';
import type postgres from 'postgres';
import { stepId, type BlockProgress, type ProgressEvent } from '@/core/progress';
import { saySaved, summarise, type BlockSheet } from '@/core/sheet';
import { listBlocks, papersOfProject, settingsOf, sheetFor } from '../blocks';
import { clothLooks } from '../cloth';
import { inTransaction, type Sql, json } from '../database';
import { invalid, notFound } from '../errors';
import { openLink, substitutesFor } from '../makers';
import { readEvents } from './events';
import { type MakerStanding, makerStanding, type PairStanding, standingsOf } from './makerStanding';
import { notify } from '../live';
import { stepTable } from './stepTable';
import { listPhotos } from '../photos';
import { type Project } from '../projects';
import { followTicks, makerTroubles } from '../troubles';

export interface RecordedEvent extends ProgressEvent {
  readonly blockId: string;
  readonly minutes?: number;
  readonly device?: string;
}

export type { BlockProgress };

/** No progress is older than this: a clock that says so is wrong. */
const EARLIEST = Date.UTC(2000, 0, 1);

/** A device's clock may run this far ahead before its time is replaced by ours, ms. */
const CLOCK_SLACK_MS = 5 * 60_000;

/**
 * Records a maker's events. Sending the same ones again changes nothing, so a device may always repeat.
 * @returns client ids that are now safe in the database, and how far the maker's entries go with them
 */
export async function recordEvents(
  sql: postgres.Sql,
  token: string,
  events: readonly RecordedEvent[],
): Promise<{ readonly recorded: string[]; readonly upTo: number }> {
  const { maker, project } = await openLink(sql, token);
  const latest = Date.now() + CLOCK_SLACK_MS;
  const inTime = events.map((event) => {
    const time = Math.min(Date.parse(event.at), latest);
    if (Number.isNaN(time) || time < EARLIEST)
      throw invalid('The time of an entry cannot be read.', 'Check the clock of the device.', 'at');
    return { ...event, at: new Date(time).toISOString() };
  });
  return inTransaction(sql, async (step) => {
    const blockIds = [...new Set(events.map(({ blockId }) => blockId))];
    const own = await step`select id from block where project_id = ${project.id} and id = any(${blockIds})`;
    if (own.length !== blockIds.length) throw notFound('This block');
    const numbers = await insertEvents(step, maker.id, inTime);
    const added = inTime.filter(({ clientId }, index) => numbers.has(clientId) && inTime.findIndex((one) => one.clientId === clientId) === index); // prettier-ignore
    if (added.length > 0) await notify(step, project.id, 'progress', maker.id);
    if (await followTicks(step, maker.id, added)) await notify(step, project.id, 'troubles');
    const recorded = events.map(({ clientId }) => clientId);
    if (numbers.size === new Set(recorded).size) return { recorded, upTo: Math.max(0, ...numbers.values()) };
    const [row] = await step<{ upTo: number }[]>`
      select coalesce(max(id), 0)::float8 as "upTo" from progress_event
      where maker_id = ${maker.id} and client_id = any(${recorded}::uuid[])`;
    return { recorded, upTo: row?.upTo ?? 0 };
  });
}

/** Writes down what is not there yet. @returns the numbers of the new rows by the device’s ids */
async function insertEvents(step: Sql, makerId: string, events: readonly RecordedEvent[]): Promise<Map<string, number>> {
  const sent = events.map((event) => ({
    client_id: event.clientId,
    block_id: event.blockId,
    step_id: event.stepId,
    kind: event.kind,
    minutes: event.minutes ?? null,
    at: event.at,
    device: event.device ?? '',
    units: ownUnits(event),
    made: event.made ?? null,
  }));
  // In one order for everybody: crossed batches wait for each other instead of locking each other out.
  const rows = await step<{ clientId: string; number: number }[]>`
    insert into progress_event (client_id, maker_id, block_id, step_id, kind, minutes, at, device, units, made)
    select client_id, ${makerId}, block_id, step_id, kind, minutes, at, device, units, made
    from jsonb_to_recordset(${json(step, sent)}) as one(client_id uuid, block_id uuid, step_id text, kind text,
      minutes numeric, at timestamptz, device text, units jsonb, made text)
    order by client_id
    on conflict (maker_id, client_id) do nothing returning client_id as "clientId", id::float8 as number`;
  return new Map(rows.map(({ clientId, number }) => [clientId, number]));
} // prettier-ignore

/** Number of a maker's latest entry: what a device sent before is in what is read now. */
async function latestEntry(sql: Sql, makerId: string): Promise<number> {
  const [row] = await sql<{ upTo: number }[]>`
    select coalesce(max(id), 0)::float8 as "upTo" from progress_event where maker_id = ${makerId}`;
  return row?.upTo ?? 0;
}

/** The patches of an event, where they are those that its step is named by; nothing else is believed. */
function ownUnits({ stepId: id, units }: RecordedEvent): RecordedEvent['units'] | null {
  const kind = id.split('-')[0] as 'baste' | 'join' | 'applique';
  return units && stepId(kind, units) === id ? units : null;
}

/** One maker's progress on every block that they sew; nothing for one who is not there. */
export async function progressOfMaker(sql: Sql, project: Project, makerId: string): Promise<BlockProgress[]> {
  return projectProgress(sql, project, standingsOf(sql, project, [makerId]));
}

/** Every maker's progress on every block that they sew. */
export async function projectProgress(
  sql: Sql,
  project: Project,
  standings: Promise<PairStanding[]> = standingsOf(sql, project),
): Promise<BlockProgress[]> {
  const pairs = await standings;
  return pairs.map(({ makerId, blockId, standing, events }) =>
    progressOf(makerId, blockId, standing, events),
  );
}

function progressOf(
  makerId: string,
  blockId: string,
  { summary, done, covered, stuck, orphaned, own }: MakerStanding,
  events: readonly ProgressEvent[],
): BlockProgress {
  const { steps } = summary;
  const { minutes, total } = stepTable(summary);
  const minutesOf = (ids: ReadonlySet<string>) =>
    [...ids].reduce((sum, id) => sum + (minutes.get(id) ?? 0), 0);
  const stuckOn = stuck.size === 0 ? undefined : steps.find((step) => stuck.has(step.id))?.text;
  const lastAt = events
    .map(({ at }) => at)
    .sort()
    .at(-1);
  return {
    makerId,
    blockId,
    done: done.size + covered.size,
    total: steps.length,
    // What is covered was never ticked: the two share nothing.
    doneMinutes: minutesOf(done) + minutesOf(covered),
    totalMinutes: total,
    covered: covered.size,
    isOwnOrder: own !== undefined,
    orphaned: orphaned.length,
    ...(stuckOn === undefined ? {} : { stuckOn }),
    ...(lastAt === undefined ? {} : { lastAt }),
  };
}

/** What a maker's own page shows: their blocks with every step, and what they have done. Nobody else's. */
export async function makerPage(sql: Sql, token: string) {
  const { maker, project } = await openLink(sql, token);
  // Read before the entries: one that comes between is in both.
  const upTo = await latestEntry(sql, maker.id);
  // In their own order, where they have one: what is saved for later blocks follows from it, too.
  const all = inOwnOrder(await listBlocks(sql, project), maker.making);
  const [papers, settings, events, photos, troubles, substitutes] = await Promise.all([
    papersOfProject(sql, project, all, maker.making.length > 0),
    settingsOf(sql, project),
    readEvents(sql, project, [maker.id]),
    listPhotos(sql, project),
    makerTroubles(sql, maker.id),
    substitutesFor(sql, maker.id),
  ]);
  const blocks = all.filter(({ id }) => !maker.skips.includes(id));
  const withOwnBag = (sheet: BlockSheet): BlockSheet => ({
    ...sheet,
    bag: ownBag(sheet.bag, maker, settings),
  });
  const shown = await Promise.all(
    blocks.map(async ({ id, name, sheet }) => {
      const mine = events.find(({ blockId }) => blockId === id)?.events ?? [];
      const block = { id, summary: summarise(sheet) };
      const standing = await makerStanding(sql, {
        project,
        settings,
        makerId: maker.id,
        block,
        events: mine,
      });
      const { done, covered, stuck, orphaned, changed, own } = standing;
      return {
        id,
        name,
        sheet: withOwnBag(own ? await sheetFor(sql, own, settings) : sheet),
        isOwnOrder: own !== undefined,
        done: [...done],
        covered: [...covered],
        stuck: [...stuck],
        orphaned: orphaned.length,
        changed: [...changed],
        photos: photos.filter(({ blockId }) => blockId === id),
        saved: saySaved(papers, id),
        instead: substitutes.get(id) ?? [],
      };
    }),
  );
  const fabrics = blocks.flatMap(({ sheet }) => sheet.patches.map(({ fabric }) => fabric));
  return {
    looks: await clothLooks(sql, project, [...new Set(fabrics)]),
    maker: {
      id: maker.id,
      name: maker.name,
      isUnderAge: maker.isUnderAge,
      travels: maker.travels,
      isLeftHanded: maker.isLeftHanded,
      choice: sayChoice(maker, settings),
    },
    troubles,
    upTo,
    project: { name: project.name, shop: project.shop, unitSystem: project.unitSystem },
    blocks: shown,
  };
}
