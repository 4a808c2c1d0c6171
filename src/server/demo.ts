import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import type postgres from 'postgres';
import { withUnits } from '@/core/sheet';
import { createAccount, type Account, newToken } from './accounts';
import type { ClothRule } from '@/core/block';
import { defaultSetting } from '@/core/setting';
import { seededRandom } from '@/core/testing';
import {
  importBlock,
  listBlocks,
  listSummaries,
  makeBlock,
  readRevision,
  saveBlock,
  type BlockWithSheet,
} from './blocks';
import { inTransaction, json, type Sql } from './database';
import { addJob, type JobWork } from './jobs';
import { readKeptCalendar, saveCalendar } from './calendar';
import { DEMO_BLOCKS, INCH, MAKERS, UNREACHED, demoAddress, demoCalendar } from './demoData';
import { fillExtras, fillGroups, fillLogbook, fillTroubles } from './demoPeople';
import { beginBag, fillOrders, fillShelf } from './demoShop';
import { addMakers, listMakers, setContact } from './makers';
import { createProject, openProject, readKeptSetting, saveSetting, type Access } from './projects';

/** What `./kevlo start` prints so that one can sign in. */
export interface DemoSignIns {
  readonly email: string;
  readonly password: string;
  readonly makers: readonly { readonly name: string; readonly token: string }[];
}

const EMAIL = 'host@wherry-lane.example';

/** Share of the work whose bags are handed out so far, and the blocks that they hold. */
const HANDED_OUT = 0.5;
const BLOCKS_HANDED_OUT = 4;

const WEEK_MS = 7 * 24 * 3600 * 1000;
const WEEKS = 8;

/** Takes the demo out again: its project and its host. Other projects stay. */
export async function removeDemo(sql: Sql): Promise<void> {
  await sql`delete from project where is_demo`;
  await sql`delete from account where email = ${EMAIL}`;
}

/** Loads the demo project through the same doors as a host would use. */
export async function loadDemo(sql: postgres.Sql, folder: string, now: Date): Promise<DemoSignIns> {
  const password = newToken().slice(0, 12);
  const host = await createAccount(sql, EMAIL, 'Host of Wherry Lane', password);
  const { id, makers } = await loadProject(sql, host, folder, now);
  await sql`update project set is_demo = true where id = ${id}`;
  return { email: EMAIL, password, makers };
}

/** The files of the drawn blocks. */
function blocksFolder(): string {
  const root = process.env.KEVLO_ROOT ?? process.cwd();
  return path.join(/*turbopackIgnore: true*/ root, 'demo', 'blocks');
}

const NAMES = { name: 'Night Ferry', shop: 'Wherry Lane Cloth', unitSystem: 'inch' } as const;

/**
 * Gives an account a project to play with: the nine blocks, makers and their progress. Whoever has one already gets that.
 * @returns the project, and the job by which it is filled: that is finished even where this process is killed
 */
export async function addSample(
  sql: postgres.Sql,
  account: Account,
): Promise<{ readonly id: string; readonly job: string | undefined }> {
  return inTransaction(sql, async (step) => {
    await step`select 1 from account where id = ${account.id} for update`;
    const [own] = await step<{ id: string; job: string | null }[]>`
      select p.id, (select j.id from job j where j.project_id = p.id and j.kind = 'sample') as job
      from project p join membership m on m.project_id = p.id
      where m.account_id = ${account.id} and m.role = 'host' and p.is_sample
        and p.removed_at is null and p.archived_at is null`;
    if (own) return { id: own.id, job: own.job ?? undefined };
    const { project } = await createProject(step, account, NAMES);
    await step`update project set is_sample = true where id = ${project.id}`;
    const job = await addJob(step, 'sample', { projectId: project.id, accountId: account.id });
    return { id: project.id, job };
  });
}

/** Fills a sample from where it was left. */
export const fillSample: JobWork = async (sql, { projectId, accountId }) => {
  const [account] = await sql<Account[]>`select id, email, name from account where id = ${accountId}`;
  if (!account) return;
  const access = await openProject(sql, account, projectId, 'edit', 'binned too');
  await fillProject(sql, access, blocksFolder(), new Date());
};

async function loadProject(
  sql: postgres.Sql,
  host: Account,
  folder: string,
  now: Date,
): Promise<{ id: string; makers: DemoSignIns['makers'] }> {
  const access = await createProject(sql, host, NAMES);
  const makers = await fillProject(sql, access, folder, now);
  return { id: access.project.id, makers };
}

/** Puts into a project what is not in it yet. @returns the makers that were added, with their links */
async function fillProject(
  sql: postgres.Sql,
  access: Access<'edit'>,
  folder: string,
  now: Date,
): Promise<DemoSignIns['makers']> {
  const { project } = access;
  const there = new Set((await listSummaries(sql, project)).blocks.map(({ name }) => name));
  for (const block of DEMO_BLOCKS.filter(({ name }) => !there.has(name))) {
    if ('recipe' in block) await makeBlock(sql, access, block);
    else {
      const svg = await readFile(path.join(folder, block.file), 'utf8');
      await importBlock(sql, access, { name: block.name, svg });
    }
  }
  await sayWhatColoursMean(sql, access);
  await fillShelf(sql, access);
  if ((await readKeptSetting(sql, project)).setting === null) await layOutSetting(sql, access);
  const before = await listMakers(sql, project);
  const fresh = MAKERS.map(({ name }) => name).filter((name) => !before.some((maker) => maker.name === name));
  const { calendar, revision } = await readKeptCalendar(sql, project);
  if (calendar.entries.length === 0) {
    const ids = (await listSummaries(sql, project)).blocks.map(({ id }) => id);
    await saveCalendar(sql, access, { calendar: demoCalendar(ids, now), revision });
  }
  const added = fresh.length > 0 ? await addMakers(sql, access, fresh) : [];
  for (const { id, name } of added.slice(0, -UNREACHED))
    await setContact(sql, access, id, { email: demoAddress(name), timeZone: null });
  await recordProgress(sql, access, [...before, ...added], now);
  await fillGroups(sql, access);
  await fillTroubles(sql, access, added);
  await fillLogbook(sql, access, (await listSummaries(sql, project)).blocks);
  await fillOrders(sql, access);
  await fillExtras(sql, access);
  await beginBag(sql, access);
  return added.map(({ name, token }) => ({ name, token }));
}

/** Two blocks whose cloth alternates round a ring: the host has said so. */
async function sayWhatColoursMean(sql: postgres.Sql, access: Access<'edit'>): Promise<void> {
  const { project } = access;
  for (const { id, name } of await listBlocks(sql, project)) {
    if (name !== 'Landing' && name !== 'Porthole') continue;
    const { document, revision } = await readRevision(sql, project, id);
    if (document.rules) continue;
    const patches = document.patches.filter(({ layer }) => layer === 0).map((patch) => patch.id);
    const rules: ClothRule[] = [{ id: 'rule-1', kind: 'alternate', patches }];
    await saveBlock(sql, access, id, { document: { ...document, rules }, revision });
  }
}

/** Three by three with sashing and cornerstones. */
async function layOutSetting(sql: postgres.Sql, access: Access<'edit'>): Promise<void> {
  const blocks = await listBlocks(sql, access.project);
  const sizes = blocks.map(({ id, sheet }) => ({ id, widthMm: sheet.widthMm, heightMm: sheet.heightMm }));
  await saveSetting(sql, access, { setting: defaultSetting(sizes, 3, INCH), revision: 0 });
}

/** What the makers have sewn and which bags are ready, all of it or nothing; once only. */
function recordProgress(
  sql: postgres.Sql,
  access: Access<'edit'>,
  makers: readonly { readonly id: string; readonly name: string }[],
  now: Date,
): Promise<void> {
  return inTransaction(sql, async (step) => {
    const { project } = access;
    await step`select 1 from project where id = ${project.id} for update`;
    const [any] = await step`
      select 1 from progress_event e join maker m on m.id = e.maker_id where m.project_id = ${project.id} limit 1`;
    if (any) return;
    const blocks = await listBlocks(step, project);
    const events = sewnSoFar(step, blocks, makers, now);
    await step`insert into progress_event ${step(events as never)}`;
    const stuck = events.filter(({ kind }) => kind === 'stuck');
    await step`insert into trouble ${step(stuck.map(({ client_id: id, maker_id, block_id, step_id, at }) => ({ id, maker_id, block_id, step_id, at })) as never)}`; // prettier-ignore
    await step`insert into kit ${step(readyBags(access, blocks, makers))}`;
  });
}

/** So many of the steps of the demo were timed. */
const TIMED_SHARE = 0.15;

/** A row of what was sewn. */
interface DemoEvent {
  readonly client_id: string;
  readonly maker_id: string | undefined;
  readonly block_id: string | undefined;
  readonly step_id: string | undefined;
  readonly kind: string;
  readonly minutes: number | null;
  readonly at: Date;
}

function sewnSoFar(
  sql: Sql,
  blocks: readonly BlockWithSheet[],
  makers: readonly { readonly id: string; readonly name: string }[],
  now: Date,
): DemoEvent[] {
  const random = seededRandom(20260);
  const timing = seededRandom(4711);
  const all = blocks.flatMap((block) => block.sheet.steps.map((step) => ({ block, step })));
  return MAKERS.flatMap(({ name, share, isStuck, silent = 0.1 }) => {
    const id = makers.find((maker) => maker.name === name)?.id;
    const count = Math.round(all.length * share * HANDED_OUT);
    const times = Array.from(
      { length: count },
      () => now.getTime() - (silent + random() * (WEEKS - silent)) * WEEK_MS,
    ).sort((a, b) => a - b);
    const hand = 0.8 + 0.4 * timing();
    /** Some time their steps: this group bastes quicker than the standard, and sews a little slower. */
    const timed = (which: number) => {
      const step = all[which]?.step;
      const minutes =
        (step?.minutes ?? 0) * hand * (step?.kind === 'baste' ? 0.7 : 1.15) * (0.75 + 0.5 * timing());
      return timing() < TIMED_SHARE && minutes >= 0.1 ? Math.round(10 * minutes) / 10 : null;
    };
    const event = (at: number, which: number, kind: string) => ({
      client_id: randomUUID(),
      maker_id: id,
      block_id: all[which]?.block.id,
      step_id: all[which]?.step.id,
      kind,
      minutes: kind === 'done' ? timed(which) : null,
      at: new Date(at),
      device: 'demo',
      units: all[which] ? json(sql, withUnits(all[which].step, all[which].block.sheet.patches).units) : null,
    });
    const done = times.map((at, which) => event(at, which, 'done'));
    return isStuck ? [...done, event(now.getTime() - 2 * 24 * 3600 * 1000, count, 'stuck')] : done;
  });
}

function readyBags(
  { account }: Access<'edit'>,
  blocks: readonly BlockWithSheet[],
  makers: readonly { readonly id: string; readonly name: string }[],
) {
  return blocks.slice(0, BLOCKS_HANDED_OUT + 1).flatMap(({ id: block }, place) =>
    MAKERS.slice(0, place < BLOCKS_HANDED_OUT ? MAKERS.length : 9).map(({ name }) => ({
      block_id: block,
      maker_id: makers.find((maker) => maker.name === name)?.id ?? '',
      status: place < BLOCKS_HANDED_OUT ? 'handed-over' : 'packed',
      changed_by: account.id,
      // Before the shelf was counted.
      packed_at: new Date(0),
    })),
  );
}
