import { afterAll, beforeAll, expect, test } from 'vitest';
import {
  accountOfSession,
  changePassword,
  createAccount,
  deleteAccount,
  endSessions,
  listSessions,
  openSession,
  resetPassword,
  signIn,
  writePasswordLetter,
  type Account,
} from '.';
import { countMiss, forgive, refuseMisses } from './gate';
import { createProject } from '../projects';
import { refusal, testProject, type TestProject } from '../testing';

let { sql, drop, host } = {} as TestProject;
let account = {} as Account;
const [EMAIL, PASSWORD] = ['lasts@one.example', 'a lasting password'];

beforeAll(async () => {
  ({ sql, drop, host } = await testProject('Lifetimes'));
  account = await createAccount(sql, EMAIL, 'Lasts', PASSWORD);
});

afterAll(() => drop());

const hoursLeft = async (table: 'session' | 'password_letter') => {
  const [row] = await sql<{ hours: number }[]>`
    select (extract(epoch from max(expires_at) - now()) / 3600)::float8 as hours from ${sql(table)} where account_id = ${account.id}`;
  return Math.round(row?.hours ?? 0);
};

test('a session is open for thirty days, then it is nobody’s, is not listed, and is swept with the next one', async () => {
  const token = await openSession(sql, account.id, 'x'.repeat(300));
  expect(await hoursLeft('session')).toBe(30 * 24);
  expect((await listSessions(sql, account, token))[0]).toMatchObject({
    device: 'x'.repeat(200),
    isThis: true,
  });
  await sql`update session set expires_at = now() - interval '1 s' where account_id = ${account.id}`;
  expect(await accountOfSession(sql, token)).toBeUndefined();
  expect(await listSessions(sql, account, token)).toEqual([]);
  const [next, other] = [await openSession(sql, account.id), await openSession(sql, account.id)];
  expect(await sql`select 1 from session where account_id = ${account.id}`).toHaveLength(2);
  await endSessions(sql, account, { allBut: next });
  expect([await accountOfSession(sql, next), await accountOfSession(sql, other)]).toEqual([
    account,
    undefined,
  ]);
});

test('a letter for a new password is good for a day', async () => {
  const letter = (await writePasswordLetter(sql, EMAIL)) ?? '';
  expect(await hoursLeft('password_letter')).toBe(24);
  await sql`update password_letter set expires_at = now() - interval '1 s'`;
  await expect(resetPassword(sql, letter, 'another password')).rejects.toEqual(refusal(404));
  await expect(resetPassword(sql, 'no token', 'another password')).rejects.toEqual(refusal(404));
});

test('twenty devices are remembered; the one unseen for longest gives way', async () => {
  const devices: string[] = [];
  for (let i = 0; i < 21; i++) devices.push((await signIn(sql, EMAIL, PASSWORD, { address: 'here' })).device);
  expect(await sql`select 1 from known_device where account_id = ${account.id}`).toHaveLength(20);
  // The first is a stranger now and gets a token of its own; the second is known still.
  const again = async (knownDevice: string) => (await signIn(sql, EMAIL, PASSWORD, { address: 'here', knownDevice })).device;
  expect(await again(devices[1]!)).toBe(devices[1]);
  expect(await again(devices[0]!)).not.toBe(devices[0]);
}); // prettier-ignore

test('an account goes with its password alone, and not while a project would be left without a host', async () => {
  const access = await createProject(sql, account, { name: 'Only mine' });
  await expect(deleteAccount(sql, account, 'wrong')).rejects.toEqual(refusal(401));
  await expect(deleteAccount(sql, account, PASSWORD)).rejects.toMatchObject({ status: 409, body: { what: 'You are the only host of Only mine.' } }); // prettier-ignore
  await sql`insert into membership (project_id, account_id, role) values (${access.project.id}, ${host.id}, 'host')`;
  await deleteAccount(sql, account, PASSWORD);
  expect(await sql`select 1 from account where id = ${account.id}`).toHaveLength(0);
  await expect(signIn(sql, EMAIL, PASSWORD, { address: 'here' })).rejects.toEqual(refusal(401));
});

test('wrong passwords for whatever account stop an address after sixty, for a quarter of an hour', async () => {
  const wrong = (email: string, address = 'far') => signIn(sql, email, 'wrong', { address });
  // No account is tried more than six times, so that only the address counts.
  for (let i = 0; i < 60; i++)
    await expect(wrong(`nobody${i % 10}@one.example`)).rejects.toEqual(refusal(401));
  await expect(wrong('somebody@one.example')).rejects.toMatchObject({ status: 429, body: { mend: expect.stringMatching(/^Wait 1[0-5] min/) } }); // prettier-ignore
  await expect(wrong('somebody@one.example', 'elsewhere')).rejects.toEqual(refusal(401));
});

test.each([
  ['device', 10, 15],
  ['guess', 8, 15],
  ['account', 100, 60],
  ['address', 60, 15],
  ['link', 60, 1],
] as const)('of %s %i misses are counted, for %i min', async (name, misses, minutes) => {
  const miss = () => countMiss(sql, name, 'one', 'place');
  for (let i = 1; i < misses; i++) expect(await miss(), `miss ${i}`).toBe(false);
  await refuseMisses(sql, name, 'one', 'place');
  expect([await miss(), await miss()]).toEqual([true, true]);
  await expect(refuseMisses(sql, name, 'one', 'place')).rejects.toMatchObject({ status: 429, body: { mend: `Wait ${minutes} min and try again.` } });
  // Neither another place nor another kind of miss is held up by it, nor the same once it went right.
  await refuseMisses(sql, name, 'another', 'place');
  await refuseMisses(sql, name === 'link' ? 'guess' : 'link', 'one', 'place');
  await forgive(sql, name, 'one', 'place');
  await refuseMisses(sql, name, 'one', 'place');
}); // prettier-ignore

test('a wrong present password is a miss of its own: ten, and neither the password nor the account is changed', async () => {
  const own = await createAccount(sql, 'holds@one.example', 'Holds', PASSWORD);
  const change = (old: string) => changePassword(sql, own, { old, next: 'the next password', session: undefined });
  for (let i = 0; i < 9; i++) await expect(change('wrong')).rejects.toMatchObject({ status: 401, body: { where: 'old' } });
  // Right before the tenth: what went wrong is forgotten.
  await change(PASSWORD);
  for (let i = 0; i < 10; i++) await expect(change('wrong')).rejects.toEqual(refusal(401));
  await expect(change('the next password')).rejects.toEqual(refusal(429));
  await expect(deleteAccount(sql, own, 'the next password')).rejects.toEqual(refusal(429));
}); // prettier-ignore

test('what its host threw away, or only helps with, does not hold an account back', async () => {
  const own = await createAccount(sql, 'goes@one.example', 'Goes', PASSWORD);
  const { project } = await createProject(sql, own, { name: 'Thrown away' });
  await sql`update project set removed_at = now() where id = ${project.id}`;
  const theirs = await createProject(sql, host, { name: 'Of the host' });
  await sql`insert into membership (project_id, account_id, role) values (${theirs.project.id}, ${own.id}, 'helper')`;
  await deleteAccount(sql, own, PASSWORD);
  expect(await sql`select 1 from project where id = ${theirs.project.id}`).toHaveLength(1);
});
