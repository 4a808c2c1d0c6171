import { hash, verify } from '@node-rs/argon2';
import type postgres from 'postgres';
import { inTransaction, type Sql } from './database';
import { ServerError, conflict } from './errors';
import { forgive, throttle } from './throttle';
import { hashToken, isToken, newToken } from './tokens';

export interface Account {
  readonly id: string;
  readonly email: string;
  readonly name: string;
}

const SESSION_DAYS = 30;
const MOST_ATTEMPTS = 8;
const MOST_ATTEMPTS_PER_ADDRESS = 60;
const WINDOW_SECONDS = 15 * 60;
/** Verified when the account is unknown, so that the answer takes as long. */
const DECOY = hash('a password that nobody has');

/** Whether any account exists; without one the first-run page makes the first host. */
export async function hasAccounts(sql: Sql): Promise<boolean> {
  const [row] = await sql<{ has: boolean }[]>`select exists (select 1 from account) as has`;
  return row?.has ?? false;
}

/** Makes an account; the password is stored as argon2id. */
export async function createAccount(
  sql: Sql,
  email: string,
  name: string,
  password: string,
): Promise<Account> {
  const passwordHash = await hash(password);
  const [row] = await sql<Account[]>`
    insert into account (email, name, password_hash) values (${email}, ${name}, ${passwordHash})
    on conflict (email) do nothing returning id, email, name`;
  if (!row) throw conflict('This e-mail address already has an account.', 'Sign in with it.');
  return row;
}

/** Makes the first account of an empty installation; a second call is refused even when both come at once. */
export function createFirstAccount(
  sql: postgres.Sql,
  email: string,
  name: string,
  password: string,
): Promise<Account> {
  return inTransaction(sql, async (step) => {
    await step`lock table account in exclusive mode`;
    if (await hasAccounts(step)) throw conflict('The first host already exists.', 'Sign in instead.');
    return createAccount(step, email, name, password);
  });
}

/** Checks a password and opens a session. @returns the session's token, to be kept in a cookie */
export async function signIn(sql: Sql, email: string, password: string, address: string): Promise<string> {
  await throttle(sql, `sign-in-from:${address}`, MOST_ATTEMPTS_PER_ADDRESS, WINDOW_SECONDS);
  await throttle(sql, `sign-in:${email}`, MOST_ATTEMPTS, WINDOW_SECONDS);
  const [row] = await sql<{ id: string; passwordHash: string }[]>`
    select id, password_hash as "passwordHash" from account where email = ${email}`;
  const isRight = await verify(row?.passwordHash ?? (await DECOY), password);
  if (!row || !isRight) {
    throw new ServerError(401, {
      code: 'wrong-password',
      what: 'The e-mail address and password do not belong together.',
      mend: 'Check both; the password tells small and capital letters apart.',
    });
  }
  await forgive(sql, `sign-in:${email}`);
  return openSession(sql, row.id);
}

/** Opens a session for an account. */
export async function openSession(sql: Sql, accountId: string): Promise<string> {
  const token = newToken();
  await sql`delete from session where expires_at < now()`;
  await sql`
    insert into session (token_hash, account_id, expires_at)
    values (${hashToken(token)}, ${accountId}, now() + ${SESSION_DAYS} * interval '1 day')`;
  return token;
}

/** The account of a session's token, if it is still open. */
export async function accountOfSession(sql: Sql, token: string | undefined): Promise<Account | undefined> {
  if (!token || !isToken(token)) return undefined;
  const [row] = await sql<Account[]>`
    select a.id, a.email, a.name from session s join account a on a.id = s.account_id
    where s.token_hash = ${hashToken(token)} and s.expires_at > now()`;
  return row;
}

/** Closes a session. */
export async function signOut(sql: Sql, token: string | undefined): Promise<void> {
  if (token && isToken(token)) await sql`delete from session where token_hash = ${hashToken(token)}`;
}
