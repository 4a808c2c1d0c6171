import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import type postgres from 'postgres';
import { afterAll, beforeAll, expect, test } from 'vitest';
import {
  accountOfSession,
  createAccount,
  createFirstAccount,
  signIn,
  signOut,
  type Account,
} from './accounts';
import { defaultRecipe, type Recipe } from '@/core/generate';
import { importBlock, listBlocks, makeBlock, openBlock, renameBlock, setBlockRemoved } from './blocks';
import { remakeBlock } from './blockDocuments';
import { connect } from './database';
import { loadDemo, removeDemo } from './demo';
import { setKitStatus } from './kits';
import { addMakers, changeLink, listMakers, makerOfLink, setMakerRemoved } from './makers';
import { migrate } from './migrate';
import { makerPage, projectProgress, recordEvents } from './progress';
import { changeProject, createProject, openProject, type Project } from './projects';
import { testDatabase } from './testDatabase';

const SQUARES = `<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="30mm" viewBox="0 0 60 30">
  <rect id="a" width="30" height="30"/><rect id="b" x="30" width="30" height="30"/></svg>`;

let sql: postgres.Sql;
let url: string;
let drop: () => Promise<void>;
let host: Account;
let stranger: Account;
let project: Project;

beforeAll(async () => {
  ({ sql, url, drop } = await testDatabase());
  host = await createFirstAccount(sql, 'host@one.example', 'Host', 'a long password');
  stranger = await createAccount(sql, 'other@two.example', 'Other', 'another password');
  project = await createProject(sql, host, { name: 'Test project' });
});

afterAll(() => drop());

const refusal = (status: number) => expect.objectContaining({ status });
const event = (blockId: string, stepId: string, kind: 'done' | 'undone' | 'stuck' = 'done') => ({
  clientId: randomUUID(),
  blockId,
  stepId,
  kind,
  at: new Date().toISOString(),
});

test('migrations are applied once, also when two servers start together', async () => {
  const folder = path.join(process.cwd(), 'src/server/migrations');
  const other = connect(url, 2);
  expect(await Promise.all([migrate(sql, folder), migrate(other, folder)])).toEqual([[], []]);
  await other.end();
});

test('passwords are kept as argon2id, sessions as hashes', async () => {
  const token = await signIn(sql, 'host@one.example', 'a long password', 'here');
  const [row] = await sql`select password_hash from account where id = ${host.id}`;
  expect(row?.password_hash).toMatch(/^\$argon2id\$/);
  const rows = await sql`select encode(token_hash, 'escape') as hash from session`;
  expect(rows.some(({ hash }) => String(hash).includes(token))).toBe(false);
  expect(await accountOfSession(sql, token)).toMatchObject({ email: 'host@one.example' });
  await signOut(sql, token);
  expect(await accountOfSession(sql, token)).toBeUndefined();
});

test('only one first host can be made', async () => {
  await expect(createFirstAccount(sql, 'late@one.example', 'Late', 'a long password')).rejects.toEqual(
    refusal(409),
  );
});

test('wrong passwords are refused alike and throttled; the right one is refused too while throttled', async () => {
  const attempt = (email: string, password: string) => signIn(sql, email, password, 'there');
  await expect(attempt('nobody@one.example', 'x')).rejects.toEqual(refusal(401));
  for (let i = 0; i < 8; i++)
    await expect(attempt('other@two.example', `wrong ${i}`)).rejects.toEqual(refusal(401));
  await expect(attempt('other@two.example', 'another password')).rejects.toEqual(refusal(429));
});

test('two hosts change different settings of one project, and neither undoes the other', async () => {
  const { id, sparesPercent } = await createProject(sql, host, { name: 'Shared' });
  await Promise.all([
    changeProject(sql, host, id, { name: 'Shared top' }),
    changeProject(sql, host, id, { allowanceMm: 9.5, shop: '' }),
    changeProject(sql, host, id, { gridColumns: 5 }),
  ]);
  const after = await openProject(sql, host, id, 'read');
  expect(after).toMatchObject({ name: 'Shared top', allowanceMm: 9.5, shop: '', gridColumns: 5, sparesPercent });
}); // prettier-ignore

test('another host’s project is not there: reading, changing, blocks, makers, bags', async () => {
  const { id: blockId } = await importBlock(sql, host, project.id, { name: 'Guarded', svg: SQUARES });
  const [maker] = await addMakers(sql, host, project.id, ['Guarded Maker']);
  const makerId = maker?.id ?? '';
  const { id: _id, ...settings } = project;
  const attempts = [
    openProject(sql, stranger, project.id, 'read'),
    changeProject(sql, stranger, project.id, settings),
    importBlock(sql, stranger, project.id, { name: 'Mine', svg: SQUARES }),
    renameBlock(sql, stranger, project.id, blockId, { name: 'Mine', revision: 1 }),
    setBlockRemoved(sql, stranger, project.id, blockId, true),
    addMakers(sql, stranger, project.id, ['Mine']),
    changeLink(sql, stranger, project.id, makerId, 'renew'),
    setKitStatus(sql, stranger, project.id, { blockId, makerId, status: 'packed', revision: 0 }),
  ];
  for (const result of await Promise.allSettled(attempts)) {
    expect(result).toMatchObject({ status: 'rejected', reason: { status: 404 } });
  }
  // With a project of one's own in the address, other people's things are no nearer.
  const own = await createProject(sql, stranger, { name: 'Own' });
  await expect(openBlock(sql, own, blockId)).rejects.toEqual(refusal(404));
  await expect(renameBlock(sql, stranger, own.id, blockId, { name: 'Mine', revision: 1 })).rejects.toEqual(
    refusal(404),
  );
  await expect(changeLink(sql, stranger, own.id, makerId, 'revoke')).rejects.toEqual(refusal(404));
  await expect(setMakerRemoved(sql, stranger, own.id, makerId, true)).rejects.toEqual(refusal(404));
  await expect(
    setKitStatus(sql, stranger, own.id, { blockId, makerId, status: 'packed', revision: 0 }),
  ).rejects.toEqual(refusal(404));
});

test('a helper may pack but not edit', async () => {
  await sql`insert into membership (project_id, account_id, role) values (${project.id}, ${stranger.id}, 'helper')`;
  await expect(openProject(sql, stranger, project.id, 'pack')).resolves.toMatchObject({ id: project.id });
  await expect(addMakers(sql, stranger, project.id, ['No'])).rejects.toEqual(refusal(403));
  await sql`delete from membership where account_id = ${stranger.id} and project_id = ${project.id}`;
});

test('a faulty drawing leaves nothing behind', async () => {
  const count = async () => (await sql`select count(*)::int as n from block`)[0]?.n as number;
  const before = await count();
  const bad = SQUARES.replace('<rect id="b"', '<path id="c" d="M0 0C1 1 2 2 9 9Z"/><rect id="b"');
  await expect(importBlock(sql, host, project.id, { name: 'Bad', svg: bad })).rejects.toMatchObject({
    status: 422,
    body: { where: 'c', what: expect.stringContaining('Bézier'), mend: expect.any(String) },
  });
  expect(await count()).toBe(before);
});

test('of two people who rename a block at once one is told, and nothing is lost', async () => {
  const { id } = await importBlock(sql, host, project.id, { name: 'Renamed', svg: SQUARES });
  const rename = (name: string) => renameBlock(sql, host, project.id, id, { name, revision: 1 });
  const results = await Promise.allSettled([rename('First'), rename('Second')]);
  expect(results.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  const lost = results.find(({ status }) => status === 'rejected') as PromiseRejectedResult;
  expect(lost.reason).toMatchObject({ status: 409, body: { current: { revision: 2 } } });
});

test('a block taken out comes back as it was, unless its name was given away', async () => {
  const { id } = await importBlock(sql, host, project.id, { name: 'Gone', svg: SQUARES });
  await setBlockRemoved(sql, host, project.id, id, true);
  await expect(openBlock(sql, project, id)).rejects.toEqual(refusal(404));
  await setBlockRemoved(sql, host, project.id, id, false);
  expect((await openBlock(sql, project, id)).sheet.patches).toHaveLength(2);
  await setBlockRemoved(sql, host, project.id, id, true);
  await importBlock(sql, host, project.id, { name: 'gone', svg: SQUARES });
  await expect(setBlockRemoved(sql, host, project.id, id, false)).rejects.toEqual(refusal(409));
});

test('of two people who mark a bag at once one is told', async () => {
  const { id: blockId } = await importBlock(sql, host, project.id, { name: 'Packed', svg: SQUARES });
  const [maker] = await addMakers(sql, host, project.id, ['Packing Maker']);
  const mark = (status: 'packed' | 'handed-over') =>
    setKitStatus(sql, host, project.id, { blockId, makerId: maker?.id ?? '', status, revision: 0 });
  const results = await Promise.allSettled([mark('packed'), mark('handed-over')]);
  expect(results.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
});

test('a maker’s link is stored hashed, shows only its own progress, and stops when revoked or renewed', async () => {
  const { id: blockId } = await importBlock(sql, host, project.id, { name: 'Linked', svg: SQUARES });
  const [ann, ben] = await addMakers(sql, host, project.id, ['Ann', 'Ben']);
  const stored = await sql`select encode(token_hash, 'escape') as hash from maker`;
  expect(stored.some(({ hash }) => String(hash).includes(ann?.token ?? '-'))).toBe(false);
  const step = (await openBlock(sql, project, blockId)).sheet.steps[0]?.id ?? '';
  await recordEvents(sql, ann?.token ?? '', [event(blockId, step)]);
  const doneBy = async (token = '') =>
    (await makerPage(sql, token)).blocks.find(({ id }) => id === blockId)?.done;
  expect([await doneBy(ann?.token), await doneBy(ben?.token)]).toEqual([[step], []]);
  expect(JSON.stringify(await makerPage(sql, ben?.token ?? ''))).not.toContain('Ann');

  const renewed = await changeLink(sql, host, project.id, ann?.id ?? '', 'renew');
  await expect(makerOfLink(sql, ann?.token ?? '')).rejects.toEqual(refusal(404));
  expect(await doneBy(renewed)).toEqual([step]);
  await changeLink(sql, host, project.id, ann?.id ?? '', 'revoke');
  await expect(recordEvents(sql, renewed ?? '', [event(blockId, step)])).rejects.toEqual(refusal(404));
  for (const bad of ['', 'x', '../../etc', 'a'.repeat(32)])
    await expect(makerPage(sql, bad)).rejects.toEqual(refusal(404));
  await setMakerRemoved(sql, host, project.id, ben?.id ?? '', true);
  await expect(makerPage(sql, ben?.token ?? '')).rejects.toEqual(refusal(404));
  expect((await listMakers(sql, project)).map(({ name }) => name)).not.toContain('Ben');
});

test('a maker cannot record on another project’s block', async () => {
  const other = await createProject(sql, stranger, { name: 'Elsewhere' });
  const { id: foreign } = await importBlock(sql, stranger, other.id, { name: 'Foreign', svg: SQUARES });
  const [maker] = await addMakers(sql, host, project.id, ['Crossing Maker']);
  await expect(recordEvents(sql, maker?.token ?? '', [event(foreign, 'join-1')])).rejects.toEqual(
    refusal(404),
  );
});

test('events sent again, also at the same time, count once and cannot be changed', async () => {
  const { id: blockId } = await importBlock(sql, host, project.id, { name: 'Counted', svg: SQUARES });
  const [maker] = await addMakers(sql, host, project.id, ['Counted Maker']);
  const steps = (await openBlock(sql, project, blockId)).sheet.steps.map(({ id }) => id);
  const events = steps.map((id) => event(blockId, id));
  await Promise.all(Array.from({ length: 6 }, () => recordEvents(sql, maker?.token ?? '', events)));
  const [row] = await sql`select count(*)::int as n from progress_event where block_id = ${blockId}`;
  expect(row?.n).toBe(steps.length);
  const progress = await projectProgress(sql, project);
  expect(progress.find((entry) => entry.makerId === maker?.id && entry.blockId === blockId)).toMatchObject({
    done: steps.length,
    total: steps.length,
  });
  await expect(sql`update progress_event set kind = 'undone'`).rejects.toThrow('append only');
});

test('a generated block is made again with other figures, and of two who do so at once one is told', async () => {
  const recipe = defaultRecipe('rosette');
  const { id } = await makeBlock(sql, host, project.id, { name: 'Made', recipe });
  const remake = (rings: number) =>
    remakeBlock(sql, host, project.id, id, { recipe: { ...recipe, rings } as Recipe, revision: 1 });
  const results = await Promise.allSettled([remake(1), remake(3)]);
  expect(results.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  const block = await openBlock(sql, project, id);
  expect([7, 37]).toContain(block.sheet.patches.length);
  expect(block.recipe).toMatchObject({ kind: 'rosette' });
  const bad = { ...defaultRecipe('plate'), outerMm: 1 } as Recipe;
  await expect(makeBlock(sql, host, project.id, { name: 'No', recipe: bad })).rejects.toMatchObject({
    status: 422,
    body: { where: 'outerMm' },
  });
  await expect(remakeBlock(sql, stranger, project.id, id, { recipe, revision: 2 })).rejects.toEqual(
    refusal(404),
  );
});

test('the demo loads its nine blocks, each sound and planned, and can be loaded again', async () => {
  const folder = path.join(process.cwd(), 'demo/blocks');
  for (let round = 0; round < 2; round++) {
    await removeDemo(sql);
    const { makers } = await loadDemo(sql, folder, new Date('2026-11-20T12:00:00Z'));
    expect(makers).toHaveLength(14);
  }
  const [row] = await sql<{ id: string }[]>`select id from project where is_demo`;
  const demo = { ...project, id: row?.id ?? '' };
  const blocks = await listBlocks(sql, demo);
  expect(blocks.map(({ name, sheet }) => [name, sheet.patches.length, sheet.problems.length])).toEqual([
    ['Signal Lamp', 37, 0],
    ['Star Chart', 18, 0],
    ['Porthole', 15, 0],
    ['Gangway', 54, 0],
    ['Wake', 27, 0],
    ['Rope Coil', 16, 0],
    ['Kelp', 13, 0],
    ['Lighthouse', 37, 0],
    ['Landing', 12, 0],
  ]);
  expect(blocks.every(({ sheet }) => sheet.plan.bends === sheet.plan.bendsLeast)).toBe(true);
  const drawing = await readFile(path.join(folder, 'star-chart.svg'), 'utf8');
  await expect(importBlock(sql, host, project.id, { name: 'Star', svg: drawing })).resolves.toHaveProperty(
    'id',
  );
  expect((await projectProgress(sql, demo)).filter(({ stuckOn }) => stuckOn).length).toBe(2);
});
