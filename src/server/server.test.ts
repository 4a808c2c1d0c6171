import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import type postgres from 'postgres';
import { afterAll, beforeAll, expect, test } from 'vitest';
import {
  accountOfSession,
  changePassword,
  createAccount,
  createFirstAccount,
  deleteAccount,
  endSessions,
  listSessions,
  openSession,
  resetPassword,
  signIn,
  signOut,
  writePasswordLetter,
  type Account,
  byLink,
  newToken,
} from './accounts';
import { addressOf } from './peer';
import { LIMITS } from '@/core/formats';
import { defaultRecipe, type Recipe } from '@/core/generate';
import {
  importBlock,
  listBlocks,
  makeBlock,
  openBlock,
  renameBlock,
  setBlockRemoved,
  remakeBlock,
} from './blocks';
import { clothLooks, renameCloth } from './cloth';
import { connect, inTransaction, migrate } from './database';
import { loadDemo, removeDemo } from './demo';
import { setKitStatus } from './bags';
import { addMakers, changeLink, listMakers, openLink, setMakerRemoved } from './makers';
import {
  acceptInvitation,
  invite,
  listBin,
  setProjectState,
  setRole,
  changeProject,
  createProject,
  listProjects,
  openProject,
  type Access,
  type Project,
  type Wish,
} from './projects';
import { makerPage, projectProgress, recordEvents } from './progress';
import { testDatabase } from './database/testDatabase';

const SQUARES = `<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="30mm" viewBox="0 0 60 30">
  <rect id="a" width="30" height="30"/><rect id="b" x="30" width="30" height="30"/></svg>`;

let sql: postgres.Sql;
let url: string;
let drop: () => Promise<void>;
let host: Account;
let stranger: Account;
let access: Access<'own'>;
let project: Project;

beforeAll(async () => {
  ({ sql, url, drop } = await testDatabase());
  host = await createFirstAccount(sql, 'host@one.example', 'Host', 'a long password');
  stranger = await createAccount(sql, 'other@two.example', 'Other', 'another password');
  access = await createProject(sql, host, { name: 'Test project' });
  ({ project } = access);
});

afterAll(() => drop());

const open = <W extends Wish>(who: Account, id: string, wish: W) => openProject(sql, who, id, wish);

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
  const { session: token } = await signIn(sql, 'host@one.example', 'a long password', { address: 'here' });
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

test('guessing stops the guesser, and nobody else', async () => {
  const email = 'other@two.example';
  const from = (address: string, password: string, knownDevice?: string) =>
    signIn(sql, email, password, { address, knownDevice });
  await expect(signIn(sql, 'nobody@one.example', 'x', { address: 'there' })).rejects.toEqual(refusal(401));
  const { device } = await from('there', 'another password');
  for (let i = 0; i < 8; i++) await expect(from('there', `wrong ${i}`)).rejects.toEqual(refusal(401));
  // From there even the right password waits, unless the device is known; from elsewhere it opens.
  await expect(from('there', 'another password')).rejects.toEqual(refusal(429));
  await expect(from('there', 'another password', device)).resolves.toMatchObject({ device });
  await expect(from('elsewhere', 'another password')).resolves.toBeDefined();
  for (let i = 0; i < 10; i++) await expect(from('x', `wrong ${i}`, device)).rejects.toEqual(refusal(401));
  await expect(from('x', 'another password', device)).rejects.toEqual(refusal(429));
});

test('links that lead nowhere are refused by address after a while; right ones from the same address never are', async () => {
  const wrong = () => byLink(sql, '10.0.0.1', () => openLink(sql, newToken()));
  const right = () => byLink(sql, '10.0.0.1', async () => 'served');
  for (let i = 0; i < 60; i++) await expect(wrong()).rejects.toEqual(refusal(404));
  await expect(wrong()).rejects.toEqual(refusal(429));
  await expect(right()).resolves.toBe('served');
  await expect(byLink(sql, '10.0.0.2', () => openLink(sql, newToken()))).rejects.toEqual(refusal(404));
});

test('who calls is the connection, or what the outermost own proxy wrote; never what a caller writes', () => {
  const headers = (forwarded: string) =>
    new Headers({ 'x-kevlo-peer': '::ffff:10.1.1.1', 'x-forwarded-for': forwarded });
  expect(addressOf(headers('6.6.6.6'), 0)).toBe('10.1.1.1');
  expect(addressOf(headers('6.6.6.6, 9.9.9.9'), 1)).toBe('9.9.9.9');
  expect(addressOf(headers('6.6.6.6, 9.9.9.9, 10.0.0.2'), 2)).toBe('9.9.9.9');
  expect(addressOf(headers('nonsense'), 1)).toBe('10.1.1.1');
  const six = (address: string) => addressOf(new Headers({ 'x-kevlo-peer': address }), 0);
  expect(six('2001:db8:1:2:3:4:5:6')).toBe(six('2001:db8:1:2::9'));
  expect(six('2001:db8:1:2::9')).not.toBe(six('2001:db8:1:3::9'));
});

test('a password is changed or set anew by a letter, once; other sessions end', async () => {
  const account = await createAccount(sql, 'changes@one.example', 'Changes', 'a first password');
  const [first, second] = [await openSession(sql, account.id, 'one'), await openSession(sql, account.id, 'two')];
  const change = { old: 'a first password', next: 'a second password', session: first };
  await expect(changePassword(sql, account, { ...change, old: 'wrong' })).rejects.toEqual(refusal(401));
  await changePassword(sql, account, change);
  expect(await accountOfSession(sql, first)).toMatchObject({ id: account.id });
  expect(await accountOfSession(sql, second)).toBeUndefined();
  expect(await writePasswordLetter(sql, 'nobody@one.example')).toBeUndefined();
  const letter = (await writePasswordLetter(sql, account.email)) ?? '';
  await resetPassword(sql, letter, 'a third password');
  expect(await accountOfSession(sql, first)).toBeUndefined();
  await expect(resetPassword(sql, letter, 'a fourth password')).rejects.toEqual(refusal(404));
  const { session } = await signIn(sql, account.email, 'a third password', { address: 'here' });
  const other = await openSession(sql, account.id, 'phone');
  const lines = await listSessions(sql, account, session);
  expect(lines.map(({ device, isThis }) => [device, isThis])).toEqual([['phone', false], ['', true]]);
  await endSessions(sql, account, { id: lines[0]!.id });
  expect(await accountOfSession(sql, other)).toBeUndefined();
}); // prettier-ignore

test('people come by a link, once; a project always keeps a host; who is gone sees nothing', async () => {
  const { id } = (await createProject(sql, host, { name: 'By invitation' })).project;
  const link = await invite(sql, await open(host, id, 'own'), { role: 'helper', days: 1 });
  const guest = { email: 'guest@one.example', name: 'Guest', password: 'a long password' };
  const both = await Promise.allSettled([acceptInvitation(sql, link, guest), acceptInvitation(sql, link, { ...guest, email: 'late@two.example' })]);
  expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  const { account } = (both.find(({ status }) => status === 'fulfilled') as PromiseFulfilledResult<{ account: Account }>).value;
  await expect(openProject(sql, account, id, 'pack')).resolves.toBeDefined();
  await expect(openProject(sql, account, id, 'edit')).rejects.toEqual(refusal(403));
  await expect(open(account, id, 'own')).rejects.toEqual(refusal(403));
  await expect(setRole(sql, await open(host, id, 'own'), host.id, 'gone')).rejects.toEqual(refusal(409));
  await setRole(sql, await open(host, id, 'own'), account.id, 'host');
  await setRole(sql, await open(host, id, 'own'), host.id, 'gone');
  await expect(openProject(sql, host, id, 'read')).rejects.toEqual(refusal(404));
  await expect(deleteAccount(sql, account, 'a long password')).rejects.toEqual(refusal(409));
  const old = await invite(sql, await open(account, id, 'own'), { role: 'host', days: 1 });
  await sql`update invitation set expires_at = now() - interval '1 s' where used_at is null`;
  await expect(acceptInvitation(sql, old, host)).rejects.toEqual(refusal(404));
}); // prettier-ignore

test('a project is archived, binned and taken back; it is deleted from the bin only', async () => {
  const { id } = (await createProject(sql, host, { name: 'Put away' })).project;
  const [maker] = await addMakers(sql, await open(host, id, 'edit'), ['Una']);
  const stateOf = async () => (await listProjects(sql, host)).find((one) => one.id === id)?.state;
  await setProjectState(sql, await open(host, id, 'own'), 'archived');
  expect(await stateOf()).toBe('archived');
  await expect(setProjectState(sql, await open(host, id, 'own'), 'deleted')).rejects.toEqual(refusal(409));
  await setProjectState(sql, await open(host, id, 'own'), 'binned');
  await expect(openProject(sql, host, id, 'read')).rejects.toEqual(refusal(404));
  await expect(openLink(sql, maker!.token)).rejects.toEqual(refusal(404));
  await setProjectState(sql, await openProject(sql, host, id, 'own', 'binned too'), 'in-use');
  await expect(openLink(sql, maker!.token)).resolves.toMatchObject({ maker: { name: 'Una' } });
  await setMakerRemoved(sql, await open(host, id, 'edit'), maker!.id, true);
  expect(await listBin(sql, await open(host, id, 'edit'))).toMatchObject([{ kind: 'maker', name: 'Una' }]);
  await addMakers(sql, await open(host, id, 'edit'), ['Una']);
  await expect(setMakerRemoved(sql, await open(host, id, 'edit'), maker!.id, false)).rejects.toEqual(
    refusal(409),
  );
  await setProjectState(sql, await open(host, id, 'own'), 'binned');
  await setProjectState(sql, await openProject(sql, host, id, 'own', 'binned too'), 'deleted');
  expect(await stateOf()).toBeUndefined();
});

test('crossed batches of events, sent by many at once, are all kept, each once', async () => {
  const { id } = (await createProject(sql, host, { name: 'Crossed' })).project;
  const [maker] = await addMakers(sql, await open(host, id, 'edit'), ['Ida']);
  const { id: block } = await makeBlock(sql, await open(host, id, 'edit'), { name: 'B', recipe: defaultRecipe('rosette') });
  const events = Array.from({ length: 60 }, () => ({ clientId: randomUUID(), blockId: block, stepId: 'baste-1', kind: 'done' as const, at: new Date().toISOString() }));
  const shuffled = (seed: number) => [...events].sort((a, b) => (a.clientId.charCodeAt(seed) - b.clientId.charCodeAt(seed)) || (a.clientId < b.clientId ? 1 : -1));
  await Promise.all(Array.from({ length: 12 }, (_, i) => recordEvents(sql, maker!.token, shuffled(i))));
  const [row] = await sql`select count(*)::int as n from progress_event where maker_id = ${maker!.id}`;
  expect(row?.n).toBe(60);
  await expect(recordEvents(sql, maker!.token, [{ ...events[0]!, clientId: randomUUID(), at: '0000-01-01T00:00:00Z' }])).rejects.toEqual(refusal(422));
}); // prettier-ignore

test('what the files and the forms allow the database allows too', async () => {
  const { id } = (await createProject(sql, host, { name: 'Limits', unitSystem: 'metric' })).project;
  expect((await openProject(sql, host, id, 'read')).project).toMatchObject({ allowanceMm: 7, pageSize: 'A4' });
  for (const [column, { least, most }] of [['allowance_mm', LIMITS.allowanceMm], ['spares_percent', LIMITS.sparesPercent], ['grid_columns', LIMITS.gridColumns]] as const) {
    for (const value of [least, most]) await sql`update project set ${sql(column)} = ${value} where id = ${id}`;
    await expect(sql`update project set ${sql(column)} = ${most + 1} where id = ${id}`.then(() => 'taken')).rejects.toMatchObject({ code: '23514' });
  }
}); // prettier-ignore

test('two hosts change different settings of one project, and neither undoes the other', async () => {
  const { id, sparesPercent } = (await createProject(sql, host, { name: 'Shared' })).project;
  await Promise.all([
    changeProject(sql, await open(host, id, 'edit'), { name: 'Shared top' }),
    changeProject(sql, await open(host, id, 'edit'), { allowanceMm: 9.5, shop: '' }),
    changeProject(sql, await open(host, id, 'edit'), { gridColumns: 5 }),
  ]);
  const after = (await openProject(sql, host, id, 'read')).project;
  expect(after).toMatchObject({ name: 'Shared top', allowanceMm: 9.5, shop: '', gridColumns: 5, sparesPercent });
}); // prettier-ignore

test('a faulty drawing leaves nothing behind', async () => {
  const count = async () => (await sql`select count(*)::int as n from block`)[0]?.n as number;
  const before = await count();
  const bad = SQUARES.replace('<rect id="b"', '<path id="c" d="M0 0L9 9L9 0L0 9Z"/><rect id="b"');
  await expect(importBlock(sql, access, { name: 'Bad', svg: bad })).rejects.toMatchObject({
    status: 422,
    body: { where: 'c', what: expect.stringContaining('crosses'), mend: expect.any(String) },
  });
  expect(await count()).toBe(before);
});

test('of two people who rename a block at once one is told, and nothing is lost', async () => {
  const { id } = await importBlock(sql, access, { name: 'Renamed', svg: SQUARES });
  const [{ name: before } = { name: '' }] = await sql<
    { name: string }[]
  >`select name from block where id = ${id}`;
  const rename = (name: string) => renameBlock(sql, access, id, { name, before });
  const results = await Promise.allSettled([rename('First'), rename('Second')]);
  expect(results.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  const lost = results.find(({ status }) => status === 'rejected') as PromiseRejectedResult;
  expect(lost.reason).toMatchObject({ status: 409, body: { current: { name: expect.any(String) } } });
});

test('a block taken out comes back as it was, unless its name was given away', async () => {
  const { id } = await importBlock(sql, access, { name: 'Gone', svg: SQUARES });
  await setBlockRemoved(sql, access, id, true);
  await expect(openBlock(sql, project, id)).rejects.toEqual(refusal(404));
  await setBlockRemoved(sql, access, id, false);
  expect((await openBlock(sql, project, id)).sheet.patches).toHaveLength(2);
  await setBlockRemoved(sql, access, id, true);
  await importBlock(sql, access, { name: 'gone', svg: SQUARES });
  await expect(setBlockRemoved(sql, access, id, false)).rejects.toEqual(refusal(409));
});

test('of two people who mark a bag at once one is told', async () => {
  const { id: blockId } = await importBlock(sql, access, { name: 'Packed', svg: SQUARES });
  const [maker] = await addMakers(sql, access, ['Packing Maker']);
  const mark = (status: 'packed' | 'handed-over') =>
    setKitStatus(sql, access, { blockId, makerId: maker?.id ?? '', status, revision: 0 });
  const results = await Promise.allSettled([mark('packed'), mark('handed-over')]);
  expect(results.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
});

test('a maker’s link is stored hashed, shows only its own progress, and stops when revoked or renewed', async () => {
  const { id: blockId } = await importBlock(sql, access, { name: 'Linked', svg: SQUARES });
  const [ann, ben] = await addMakers(sql, access, ['Ann', 'Ben']);
  const stored = await sql`select encode(token_hash, 'escape') as hash from maker`;
  expect(stored.some(({ hash }) => String(hash).includes(ann?.token ?? '-'))).toBe(false);
  const step = (await openBlock(sql, project, blockId)).sheet.steps[0]?.id ?? '';
  await recordEvents(sql, ann?.token ?? '', [event(blockId, step)]);
  const doneBy = async (token = '') =>
    (await makerPage(sql, token)).blocks.find(({ id }) => id === blockId)?.done;
  expect([await doneBy(ann?.token), await doneBy(ben?.token)]).toEqual([[step], []]);
  expect(JSON.stringify(await makerPage(sql, ben?.token ?? ''))).not.toContain('Ann');

  const renewed = await changeLink(sql, access, ann?.id ?? '', 'renew');
  await expect(openLink(sql, ann?.token ?? '')).rejects.toEqual(refusal(404));
  expect(await doneBy(renewed)).toEqual([step]);
  await changeLink(sql, access, ann?.id ?? '', 'revoke');
  await expect(recordEvents(sql, renewed ?? '', [event(blockId, step)])).rejects.toEqual(refusal(404));
  for (const bad of ['', 'x', '../../etc', 'a'.repeat(32)])
    await expect(makerPage(sql, bad)).rejects.toEqual(refusal(404));
  await setMakerRemoved(sql, access, ben?.id ?? '', true);
  await expect(makerPage(sql, ben?.token ?? '')).rejects.toEqual(refusal(404));
  expect((await listMakers(sql, project)).map(({ name }) => name)).not.toContain('Ben');
});

test('a maker cannot record on another project’s block', async () => {
  const other = await createProject(sql, stranger, { name: 'Elsewhere' });
  const { id: foreign } = await importBlock(sql, other, {
    name: 'Foreign',
    svg: SQUARES,
  });
  const [maker] = await addMakers(sql, access, ['Crossing Maker']);
  await expect(recordEvents(sql, maker?.token ?? '', [event(foreign, 'join-1')])).rejects.toEqual(
    refusal(404),
  );
});

test('events sent again, also at the same time, count once and cannot be changed', async () => {
  const { id: blockId } = await importBlock(sql, access, { name: 'Counted', svg: SQUARES });
  const [maker] = await addMakers(sql, access, ['Counted Maker']);
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
  const { id } = await makeBlock(sql, access, { name: 'Made', recipe });
  const remake = (rings: number) =>
    remakeBlock(sql, access, id, { recipe: { ...recipe, rings } as Recipe, revision: 1 });
  const results = await Promise.allSettled([remake(1), remake(3)]);
  expect(results.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
  const block = await openBlock(sql, project, id);
  expect([7, 37]).toContain(block.sheet.patches.length);
  expect(block.recipe).toMatchObject({ kind: 'rosette' });
  const bad = { ...defaultRecipe('plate'), outerMm: 1 } as Recipe;
  await expect(makeBlock(sql, access, { name: 'No', recipe: bad })).rejects.toMatchObject({
    status: 422,
    body: { where: 'outerMm' },
  });
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
  await expect(importBlock(sql, access, { name: 'Star', svg: drawing })).resolves.toHaveProperty('id');
  expect((await projectProgress(sql, demo)).filter(({ stuckOn }) => stuckOn).length).toBe(2);
});

test('a connection that is lost within a transaction ends that one alone: nothing hangs, nothing runs outside of it', async () => {
  const own = connect(url, 2);
  const one = (isKilled: boolean) =>
    inTransaction(own, async (step) => {
      const [before] = await step<{ pid: number }[]>`select pg_backend_pid() as pid`;
      if (isKilled) await sql`select pg_terminate_backend(${before!.pid})`;
      await step`select pg_sleep(0.005)`;
      const [after] = await step<{ pid: number }[]>`select pg_backend_pid() as pid`;
      return before!.pid === after!.pid;
    });
  for (let round = 0; round < 4; round++) {
    const ends = await Promise.allSettled(Array.from({ length: 20 }, (_, i) => one(i % 5 === 0)));
    const kept = ends.flatMap((end) => (end.status === 'fulfilled' ? [end.value] : []));
    expect(kept).toEqual(Array.from({ length: 16 }, () => true));
  }
  await expect(inTransaction(own, () => Promise.reject(new Error('own fault')))).rejects.toThrow('own fault');
  expect(await inTransaction(own, (step) => step`select 1 as one`)).toEqual([{ one: 1 }]);
  await own.end();
});

test('a cloth is renamed in every block, rule and list at once, and keeps its look when others come', async () => {
  const { id } = (await createProject(sql, host, { name: 'Cloths' })).project;
  const drawing = SQUARES.replace('id="a"', 'id="a" fill="#1f2e4f"').replace('id="b"', 'id="b" data-fabric="Woad" fill="#2f5a85"');
  for (const name of ['One', 'Two']) await importBlock(sql, await open(host, id, 'edit'), { name, svg: drawing });
  const { project } = await openProject(sql, host, id, 'read');
  const fabrics = async () => (await listBlocks(sql, project)).map(({ sheet }) => sheet.patches.map(({ fabric }) => fabric).sort());
  expect(await fabrics()).toEqual([['Woad', 'navy'], ['Woad', 'navy']]);
  const before = await clothLooks(sql, project, ['navy', 'Woad']);
  expect(before).toMatchObject({ navy: { ground: '#1f2e4f' }, Woad: { ground: '#2f5a85' } });
  expect(await clothLooks(sql, project, ['Aniline', 'navy', 'Woad'])).toMatchObject(before);
  await renameCloth(sql, await open(host, id, 'edit'), { from: 'navy', to: 'Ink' });
  expect(await fabrics()).toEqual([['Ink', 'Woad'], ['Ink', 'Woad']]);
  expect((await clothLooks(sql, project, ['Ink'])).Ink).toEqual(before.navy);
  await expect(renameCloth(sql, await open(host, id, 'edit'), { from: 'navy', to: 'X' })).rejects.toEqual(refusal(404));
}); // prettier-ignore
