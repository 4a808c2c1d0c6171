import { hash, verify } from '@node-rs/argon2';
import type postgres from 'postgres';
import { inTransaction, type Sql } from '../database';
import { ServerError, conflict } from '../errors';
import { countMiss, forgive, refuseMisses } from './gate';
import { notify } from '../live';
import { hashToken, isToken, newToken } from './tokens';

export interface Account {
  readonly id: string;
  readonly email: string;
  readonly name: string;
  /** Whether it keeps the installation: makes new shops and letters for lost passwords. */
  readonly isKeeper?: boolean;
}

const SESSION_DAYS = 30;
/** Verified when the account is unknown, so that the answer takes as long. */
const DECOY = hash('a password that nobody has');

/** Whether any account exists; without one the first-run page makes the first host. */
export async function hasAccounts(sql: Sql): Promise<boolean> {
  const [row] = await sql<{ has: boolean }[]>`select exists (select 1 from account) as has`;
  return row?.has ?? false;
}

/** Makes an account; the password is stored as argon2id. The first one keeps the installation. */
export async function createAccount(
  sql: Sql,
  email: string,
  name: string,
  password: string,
): Promise<Account> {
  const passwordHash = await hash(password);
  const [row] = await sql<Account[]>`
    insert into account (email, name, password_hash, is_keeper)
    select ${email}, ${name}, ${passwordHash}, not exists (select 1 from account)
    on conflict (email) do nothing returning id, email, name, is_keeper as "isKeeper"`;
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

/** From where someone signs in. */
export interface Caller {
  readonly address: string;
  /** What the browser calls itself, for the list of sessions. */
  readonly device?: string;
  /** Token of a device that signed in before. */
  readonly knownDevice?: string | undefined;
}

/**
 * Checks a password and opens a session. Only wrong passwords count against anybody; a device that the account knows is not
 * held up by what others try elsewhere.
 * @returns tokens of the session and of the device, to be kept in cookies
 */
export async function signIn(
  sql: postgres.Sql,
  email: string,
  password: string,
  caller: Caller,
): Promise<{ session: string; device: string }> {
  const { address, knownDevice } = caller;
  const [row] = await sql<{ id: string; passwordHash: string }[]>`
    select id, password_hash as "passwordHash" from account where email = ${email}`;
  const isKnown = row !== undefined && (await isKnownDevice(sql, row.id, knownDevice));
  const keys: [Parameters<typeof refuseMisses>[1], ...string[]][] = isKnown
    ? [['device', knownDevice ?? '']]
    : [['guess', email, address], ['account', email], ['address', address]]; // prettier-ignore
  for (const [name, ...parts] of keys) await refuseMisses(sql, name, ...parts);
  const isRight = await verify(row?.passwordHash ?? (await DECOY), password);
  if (!row || !isRight) {
    for (const [name, ...parts] of keys) await countMiss(sql, name, ...parts);
    throw wrongPassword();
  }
  for (const [name, ...parts] of keys) if (name !== 'address') await forgive(sql, name, ...parts);
  const device = isKnown ? (knownDevice as string) : await rememberDevice(sql, row.id);
  return { session: await openSession(sql, row.id, caller.device), device };
}

function wrongPassword(): ServerError {
  return new ServerError(401, {
    code: 'wrong-password',
    what: 'The e-mail address and password do not belong together.',
    mend: 'Check both; the password tells small and capital letters apart.',
  });
}

async function isKnownDevice(sql: Sql, accountId: string, token: string | undefined): Promise<boolean> {
  if (!token || !isToken(token)) return false;
  const rows = await sql`
    update known_device set seen_at = now()
    where token_hash = ${hashToken(token)} and account_id = ${accountId} returning 1`;
  return rows.length > 0;
}

/** Devices of one account that are remembered; the one unseen for longest gives way. */
const MOST_DEVICES = 20;

async function rememberDevice(sql: Sql, accountId: string): Promise<string> {
  const token = newToken();
  await sql`insert into known_device (token_hash, account_id) values (${hashToken(token)}, ${accountId})`;
  await sql`
    delete from known_device where account_id = ${accountId} and token_hash not in (
      select token_hash from known_device where account_id = ${accountId}
      order by seen_at desc limit ${MOST_DEVICES})`;
  return token;
}

/** Opens a session for an account. */
export async function openSession(sql: Sql, accountId: string, device = ''): Promise<string> {
  const token = newToken();
  await sql`delete from session where expires_at < now()`;
  await sql`
    insert into session (token_hash, account_id, expires_at, device)
    values (${hashToken(token)}, ${accountId}, now() + ${SESSION_DAYS} * interval '1 day', ${device.slice(0, 200)})`;
  return token;
}

/** The account of a session's token, if it is still open. */
export async function accountOfSession(sql: Sql, token: string | undefined): Promise<Account | undefined> {
  if (!token || !isToken(token)) return undefined;
  const [row] = await sql<Account[]>`
    select a.id, a.email, a.name, a.is_keeper as "isKeeper" from session s join account a on a.id = s.account_id
    where s.token_hash = ${hashToken(token)} and s.expires_at > now()`;
  return row;
}

/** Closes a session. */
export async function signOut(sql: Sql, token: string | undefined): Promise<void> {
  if (!token || !isToken(token)) return;
  await sql`delete from session where token_hash = ${hashToken(token)}`;
  await tellSessionsEnded(sql);
}

/** Open streams look again whether they may go on. */
const tellSessionsEnded = (sql: Sql) => notify(sql, '', 'people');

/** One open session, as its owner sees it. */
export interface SessionLine {
  readonly id: string;
  readonly device: string;
  readonly createdAt: string;
  readonly isThis: boolean;
}

/** Open sessions of an account, the newest first. */
export async function listSessions(
  sql: Sql,
  account: Account,
  token: string | undefined,
): Promise<SessionLine[]> {
  const own = hashToken(token ?? '');
  const lines = await sql<SessionLine[]>`
    select id, device, created_at as "createdAt", token_hash = ${own} as "isThis" from session
    where account_id = ${account.id} and expires_at > now() order by created_at desc`;
  return [...lines];
}

/** Ends one session of an account, or all but this one. */
export async function endSessions(
  sql: Sql,
  account: Account,
  which: { readonly id: string } | { readonly allBut: string | undefined },
): Promise<void> {
  if ('id' in which) await sql`delete from session where account_id = ${account.id} and id = ${which.id}`;
  else {
    const kept = hashToken(which.allBut ?? '');
    await sql`delete from session where account_id = ${account.id} and token_hash <> ${kept}`;
  }
  await tellSessionsEnded(sql);
}

/** Changes a password; all other sessions and remembered devices end. @throws ServerError 401 when the old one is wrong */
export async function changePassword(
  sql: postgres.Sql,
  account: Account,
  change: { readonly old: string; readonly next: string; readonly session: string | undefined },
): Promise<void> {
  await refuseMisses(sql, 'device', account.id);
  const [row] = await sql<{ passwordHash: string }[]>`
    select password_hash as "passwordHash" from account where id = ${account.id}`;
  if (!row || !(await verify(row.passwordHash, change.old))) {
    await countMiss(sql, 'device', account.id);
    throw new ServerError(401, {
      code: 'wrong-password',
      what: 'The present password is another.',
      mend: 'Type it again.',
      where: 'old',
    });
  }
  await forgive(sql, 'device', account.id);
  await setPassword(sql, account.id, change.next, change.session);
}

async function setPassword(
  sql: postgres.Sql,
  accountId: string,
  password: string,
  session: string | undefined,
) {
  const passwordHash = await hash(password);
  await inTransaction(sql, async (step) => {
    await step`update account set password_hash = ${passwordHash} where id = ${accountId}`;
    await step`delete from session where account_id = ${accountId} and token_hash <> ${hashToken(session ?? '')}`;
    await step`delete from known_device where account_id = ${accountId}`;
    await step`delete from password_letter where account_id = ${accountId}`;
    await tellSessionsEnded(step);
  });
}

/** A letter for a new password is good this long, h. */
const LETTER_HOURS = 24;

/** Makes a letter with which a new password can be set once. @returns its token, or undefined where no such account is */
export async function writePasswordLetter(sql: Sql, email: string): Promise<string | undefined> {
  const token = newToken();
  const rows = await sql`
    insert into password_letter (token_hash, account_id, expires_at)
    select ${hashToken(token)}, id, now() + ${LETTER_HOURS} * interval '1 hour' from account where email = ${email}
    returning 1`;
  return rows.length > 0 ? token : undefined;
}

/** Sets a new password by a letter, once. @throws ServerError 404 for letters that are used, too old or none */
export async function resetPassword(sql: postgres.Sql, token: string, password: string): Promise<void> {
  const [row] = isToken(token)
    ? await sql<{ accountId: string }[]>`
        delete from password_letter where token_hash = ${hashToken(token)} and expires_at > now()
        returning account_id as "accountId"`
    : [];
  if (!row)
    throw new ServerError(404, {
      code: 'no-such-link',
      what: 'This link for a new password does not work (any more).',
      mend: 'Ask for a new one.',
    });
  await setPassword(sql, row.accountId, password, undefined);
}

/**
 * Deletes an account. Projects of which it is the only host must be handed over or deleted first.
 * @throws ServerError 401 for a wrong password, 409 while a project would be left without a host
 */
export async function deleteAccount(sql: postgres.Sql, account: Account, password: string): Promise<void> {
  const [row] = await sql<{ passwordHash: string }[]>`
    select password_hash as "passwordHash" from account where id = ${account.id}`;
  await refuseMisses(sql, 'device', account.id);
  if (!row || !(await verify(row.passwordHash, password))) {
    await countMiss(sql, 'device', account.id);
    throw wrongPassword();
  }
  await inTransaction(sql, async (step) => {
    const alone = await step<{ name: string }[]>`
      select p.name from project p join membership m on m.project_id = p.id and m.account_id = ${account.id}
      where m.role = 'host' and p.removed_at is null and not exists (
        select 1 from membership o where o.project_id = p.id and o.role = 'host' and o.account_id <> ${account.id})`;
    if (alone.length > 0) {
      const names = alone.map(({ name }) => name).join(', ');
      throw conflict(
        `You are the only host of ${names}.`,
        'Hand it over to another host, or delete it first.',
      );
    }
    await step`delete from account where id = ${account.id}`;
  });
}
