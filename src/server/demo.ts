import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import type postgres from 'postgres';
import { withUnits } from '@/core/sheet';
import { createAccount, type Account, newToken } from './accounts';
import type { Recipe } from '@/core/generate';
import type { ClothRule } from '@/core/block';
import { defaultSetting } from '@/core/setting';
import { seededRandom } from '@/core/testing';
import { importBlock, listBlocks, makeBlock, readRevision, saveBlock } from './blocks';
import { json, type Sql } from './database';
import { addMakers } from './makers';
import { type Access, createProject, saveSetting } from './projects';

/** What `./kevlo start` prints so that one can sign in. */
export interface DemoSignIns {
  readonly email: string;
  readonly password: string;
  readonly makers: readonly { readonly name: string; readonly token: string }[];
}

const EMAIL = 'host@wherry-lane.example';

const INCH = 25.4;

/** The nine blocks: three come as drawings through the import, six are made by the generators. */
export const DEMO_BLOCKS: readonly ({ name: string; file: string } | { name: string; recipe: Recipe })[] = [
  { name: 'Signal Lamp', file: 'signal-lamp.svg' },
  { name: 'Star Chart', file: 'star-chart.svg' },
  {
    name: 'Porthole',
    recipe: {
      kind: 'plate',
      fabrics: ['Woad', 'Fog', 'Beacon'],
      blades: 14,
      innerMm: 1.5 * INCH,
      outerMm: 5.5 * INCH,
      tip: 'pointed',
      centre: 'yes',
    },
  },
  { name: 'Gangway', file: 'gangway.svg' },
  {
    name: 'Wake',
    recipe: {
      kind: 'clamshell',
      fabrics: ['Fog', 'Woad', 'Calico'],
      widthMm: 2.5 * INCH,
      columns: 5,
      rows: 6,
    },
  },
  {
    name: 'Rope Coil',
    recipe: {
      kind: 'star',
      fabrics: ['Rope', 'Madder', 'Calico', 'Tar'],
      points: 8,
      edgeMm: 3 * INCH,
      surround: 'set-in',
    },
  },
  {
    name: 'Kelp',
    recipe: {
      kind: 'framed-diamond',
      fabrics: ['Beacon', 'Lichen', 'Calico'],
      widthMm: 3 * INCH,
      heightMm: 6 * INCH,
      stripMm: INCH / 2,
      rounds: 3,
    },
  },
  {
    name: 'Lighthouse',
    recipe: {
      kind: 'beams',
      fabrics: ['Madder', 'Beacon', 'Fog', 'Tar', 'Calico'],
      edgeMm: 2 * INCH,
      reachMm: 6 * INCH,
      diamondMm: INCH,
    },
  },
  {
    name: 'Landing',
    recipe: { kind: 'disc', fabrics: ['Rope', 'Lichen'], wedges: 12, radiusMm: 5.5 * INCH, portion: 'whole' },
  },
];

/** Invented makers with their pace: share of the way through the project, and whether they are stuck. */
const MAKERS: readonly { name: string; share: number; isStuck?: boolean }[] = [
  { name: 'Ottoline Pell', share: 1 },
  { name: 'Bram Vesterly', share: 0.82 },
  { name: 'Ines Quillfeather', share: 0.74 },
  { name: 'Marit Holloway-Sund', share: 0.66 },
  { name: 'Tobiah Renn', share: 0.61 },
  { name: 'Clemency Voss', share: 0.55 },
  { name: 'Hedda Marsh', share: 0.5 },
  { name: 'Jory Tamblyn', share: 0.46, isStuck: true },
  { name: 'Suvi Arrowsmith', share: 0.46, isStuck: true },
  { name: 'Prudence Okell', share: 0.38 },
  { name: 'Anselm Drury', share: 0.31 },
  { name: 'Wilhelmina Fosse', share: 0.22 },
  { name: 'Kit Larkrise', share: 0.12 },
  { name: 'Dorothea Imms', share: 0 },
];

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

/**
 * Gives an account a project to play with: the nine blocks, makers and their progress. Whoever has one already gets that.
 */
export async function loadSample(
  sql: postgres.Sql,
  account: Account,
  folder: string,
  now: Date,
): Promise<{ id: string }> {
  const [own] = await sql<{ id: string }[]>`
    select p.id from project p join membership m on m.project_id = p.id
    where m.account_id = ${account.id} and m.role = 'host' and p.is_sample
      and p.removed_at is null and p.archived_at is null`;
  if (own) return own;
  const { id } = await loadProject(sql, account, folder, now);
  await sql`update project set is_sample = true where id = ${id}`;
  return { id };
}

async function loadProject(
  sql: postgres.Sql,
  host: Account,
  folder: string,
  now: Date,
): Promise<{ id: string; makers: DemoSignIns['makers'] }> {
  const access = await createProject(sql, host, {
    name: 'Night Ferry',
    shop: 'Wherry Lane Cloth',
    unitSystem: 'inch',
  });
  for (const block of DEMO_BLOCKS) {
    const { name } = block;
    if ('recipe' in block) {
      await makeBlock(sql, access, block);
      continue;
    }
    const { file } = block;
    await importBlock(sql, access, { name, svg: await readFile(path.join(folder, file), 'utf8') });
  }
  await sayWhatColoursMean(sql, access);
  await layOutSetting(sql, access);
  const makers = await addMakers(
    sql,
    access,
    MAKERS.map(({ name }) => name),
  );
  await recordProgress(sql, access, makers, now);
  return { id: access.project.id, makers: makers.map(({ name, token }) => ({ name, token })) };
}

/** Two blocks whose cloth alternates round a ring: the host has said so. */
async function sayWhatColoursMean(sql: postgres.Sql, access: Access<'edit'>): Promise<void> {
  const { project } = access;
  for (const { id, name } of await listBlocks(sql, project)) {
    if (name !== 'Landing' && name !== 'Porthole') continue;
    const { document, revision } = await readRevision(sql, project, id);
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

async function recordProgress(
  sql: postgres.Sql,
  access: Access<'edit'>,
  makers: readonly { id: string; name: string }[],
  now: Date,
): Promise<void> {
  const random = seededRandom(20260);
  const blocks = await listBlocks(sql, access.project);
  const all = blocks.flatMap((block) => block.sheet.steps.map((step) => ({ block, step })));
  const rows: object[] = [];
  for (const [index, { id }] of makers.entries()) {
    const { share, isStuck } = MAKERS[index] as (typeof MAKERS)[number];
    const count = Math.round(all.length * share * HANDED_OUT);
    const times = Array.from(
      { length: count },
      () => now.getTime() - (0.1 + random() * (WEEKS - 0.1)) * WEEK_MS,
    ).sort((a, b) => a - b);
    const event = (at: number, which: number, kind: string) => ({
      client_id: randomUUID(),
      maker_id: id,
      block_id: all[which]?.block.id,
      step_id: all[which]?.step.id,
      kind,
      minutes: null,
      at: new Date(at),
      device: 'demo',
      units: all[which] ? json(sql, withUnits(all[which].step, all[which].block.sheet.patches).units) : null,
    });
    times.forEach((at, which) => rows.push(event(at, which, 'done')));
    if (isStuck) rows.push(event(now.getTime() - 2 * 24 * 3600 * 1000, count, 'stuck'));
  }
  await sql`insert into progress_event ${sql(rows as never)}`;
  const kits = blocks.flatMap((block, place) =>
    makers.map(({ id }, index) => ({
      block_id: block.id,
      maker_id: id,
      status:
        place < BLOCKS_HANDED_OUT
          ? 'handed-over'
          : place === BLOCKS_HANDED_OUT && index < 9
            ? 'packed'
            : 'to-pack',
      changed_by: access.account.id,
    })),
  );
  await sql`insert into kit ${sql(kits.filter(({ status }) => status !== 'to-pack'))}`;
}
