import { afterAll, beforeAll, expect, test } from 'vitest';
import {
  accountOfSession,
  changePassword,
  createAccount,
  createFirstAccount,
  endSessions,
  listSessions,
  openSession,
  resetPassword,
  signIn,
  signOut,
  writePasswordLetter,
  byLink,
  newToken,
} from '.';
import { openLink } from '../makers';
import { testProject, type TestProject, refusal } from '../testing';

let { sql, drop, host } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, host } = await testProject('Test project'));
});

afterAll(() => drop());

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
