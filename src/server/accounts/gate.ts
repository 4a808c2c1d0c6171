import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import type postgres from 'postgres';
import { ServerError } from '../errors';

/** How often something may go wrong within a time before it is refused. */
interface Limit {
  readonly misses: number;
  readonly seconds: number;
}

const QUARTER_HOUR = 15 * 60;

/**
 * What is counted. Only what goes wrong counts: whoever types the right password, or opens the right link, is never held up
 * by their own good tries.
 */
const LIMITS = {
  /** Wrong passwords from one device that the account knows. */
  device: { misses: 10, seconds: QUARTER_HOUR },
  /** Wrong passwords for one account from one address that it does not know. */
  guess: { misses: 8, seconds: QUARTER_HOUR },
  /** Wrong passwords for one account from all addresses that it does not know. */
  account: { misses: 100, seconds: 60 * 60 },
  /** Wrong passwords from one address for whatever account. */
  address: { misses: 60, seconds: QUARTER_HOUR },
  /** Links that lead nowhere, from one address. */
  link: { misses: 60, seconds: 60 },
} as const satisfies Record<string, Limit>;

export type LimitName = keyof typeof LIMITS;

const globals = globalThis as { kevloLimiters?: WeakMap<object, Map<LimitName, RateLimiterPostgres>> };

function limiter(sql: postgres.Sql, name: LimitName): RateLimiterPostgres {
  const all = (globals.kevloLimiters ??= new WeakMap());
  const own = all.get(sql) ?? new Map<LimitName, RateLimiterPostgres>();
  all.set(sql, own);
  const known = own.get(name);
  if (known) return known;
  const { misses, seconds } = LIMITS[name];
  const made = new RateLimiterPostgres({
    // The limiter speaks to a client of another make: this is all that it asks of one.
    storeClient: { query: (query: Query) => answer(sql, query) },
    storeType: 'client',
    tableName: 'rate_limit',
    tableCreated: true,
    keyPrefix: name,
    points: misses,
    duration: seconds,
  });
  own.set(name, made);
  return made;
}

interface Query {
  readonly text: string;
  readonly values?: postgres.SerializableParameter[];
}

async function answer(sql: postgres.Sql, { text, values = [] }: Query) {
  const rows = await sql.unsafe(text, values);
  return { rows: rows.map(numbered), rowCount: rows.count };
}

/** Large numbers come as texts. */
function numbered(row: postgres.Row): postgres.Row {
  return row.expire === null || row.expire === undefined ? row : { ...row, expire: Number(row.expire) };
}

/** Keys are made of what people type: cut to what the table holds. */
function keyOf(parts: readonly string[]): string {
  return parts.join('|').slice(0, 200);
}

/** Refuses where too much went wrong under a key. @throws ServerError 429 `too-many` */
export async function refuseMisses(sql: postgres.Sql, name: LimitName, ...parts: string[]): Promise<void> {
  const state = await limiter(sql, name).get(keyOf(parts));
  if (state && state.consumedPoints >= LIMITS[name].misses) throw tooMany(state.msBeforeNext);
}

/** Counts one thing that went wrong under a key. @returns whether it is too many now */
export async function countMiss(sql: postgres.Sql, name: LimitName, ...parts: string[]): Promise<boolean> {
  try {
    const state = await limiter(sql, name).consume(keyOf(parts));
    return state.remainingPoints <= 0;
  } catch (error) {
    if (error instanceof RateLimiterRes) return true;
    throw error;
  }
}

/** Forgets what went wrong under a key, after it went right. */
export async function forgive(sql: postgres.Sql, name: LimitName, ...parts: string[]): Promise<void> {
  await limiter(sql, name).delete(keyOf(parts));
}

function tooMany(waitMs: number): ServerError {
  const minutes = Math.max(1, Math.ceil(waitMs / 60_000));
  return new ServerError(429, {
    code: 'too-many',
    what: 'There were too many attempts that went wrong.',
    mend: `Wait ${minutes} min and try again.`,
  });
}

/**
 * Opens what a secret link leads to. Links that lead nowhere are counted by address; right ones are always served, also to
 * those who share the address of someone who guesses.
 * @throws ServerError 404 for wrong links, 429 when an address tried too many
 */
export async function byLink<T>(sql: postgres.Sql, address: string, open: () => Promise<T>): Promise<T> {
  try {
    return await open();
  } catch (error) {
    if (!(error instanceof ServerError) || error.body.code !== 'no-such-link') throw error;
    await refuseMisses(sql, 'link', address);
    await countMiss(sql, 'link', address);
    throw error;
  }
}
