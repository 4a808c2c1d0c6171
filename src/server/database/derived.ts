import { createHash } from 'node:crypto';
import { LRUCache } from 'lru-cache';
import type postgres from 'postgres';
import type { Sql } from './database';

/** Hash of whatever a result depends on, for its key. */
export function hashOf(...content: readonly unknown[]): string {
  return createHash('sha256').update(JSON.stringify(content)).digest('hex');
}

/**
 * Hash of a document's content, such as a block's: the same document has the same hash everywhere, in whatever order the database or a
 * browser wrote the names within it.
 */
export function contentHash(document: object): string {
  const inOrder = (_: string, value: unknown) =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([p], [q]) => (p < q ? -1 : 1)))
      : value;
  return createHash('sha256').update(JSON.stringify(document, inOrder)).digest('hex');
}

/** A result that depends on nothing but its key, and how it is computed. */
export interface Wanted<T> {
  readonly key: string;
  readonly compute: () => T | Promise<T>;
}

/** Results kept in the memory of this process, in letters of JSON. */
const MEMORY_LETTERS = 24_000_000;

/** Results as this process last read or computed them, and what is being computed; kept across copies of this module. */
const place = globalThis as {
  kevloResults?: LRUCache<string, { readonly result: unknown }>;
  kevloUnderWay?: Map<string, Promise<unknown>>;
};
const results = (place.kevloResults ??= new LRUCache({ maxSize: MEMORY_LETTERS }));
const underWay = (place.kevloUnderWay ??= new Map());

/** A computed result from the cache under its key, or computed now and kept. Never edited; a new key replaces it. */
export async function derived<T>(sql: Sql, key: string, compute: Wanted<T>['compute']): Promise<T> {
  const [result] = await derivedAll(sql, [{ key, compute }]);
  return result as T;
}

/** Several results at once: those that are kept are read in one query, the others computed side by side. */
export async function derivedAll<T>(sql: Sql, wanted: readonly Wanted<T>[]): Promise<T[]> {
  const keys = wanted.map(({ key }) => key).filter((key) => !results.has(key));
  if (keys.length > 0) {
    const rows = await sql<{ key: string; result: T; size: number; isOld: boolean }[]>`
      select key, result, length(result::text) as size, used_on < current_date as "isOld"
      from derived where key in ${sql(keys)}`;
    for (const { key, result, size } of rows) results.set(key, { result }, { size: Math.max(1, size) });
    const old = rows.filter(({ isOld }) => isOld).map(({ key }) => key);
    if (old.length > 0) await sql`update derived set used_on = current_date where key in ${sql(old)}`;
  }
  return Promise.all(
    wanted.map(({ key, compute }) => {
      const kept = results.get(key);
      return kept ? (kept.result as T) : computeOnce(sql, key, compute);
    }),
  );
}

/** Whoever asks for a result while it is being computed gets the same; should that fail, each computes for itself. */
async function computeOnce<T>(sql: Sql, key: string, compute: Wanted<T>['compute']): Promise<T> {
  const others = underWay.get(key) as Promise<T> | undefined;
  if (others) {
    const result = await others.catch(() => undefined);
    if (result !== undefined) return result;
  }
  const work = (async () => compute())();
  underWay.set(key, work);
  try {
    const text = JSON.stringify(await work);
    // As the database would give it, so that it is the same wherever it comes from.
    const result = JSON.parse(text) as T;
    await sql`
      insert into derived (key, result) values (${key}, ${text}::text::jsonb)
      on conflict (key) do nothing`;
    results.set(key, { result }, { size: Math.max(1, text.length) });
    return result;
  } finally {
    if (underWay.get(key) === work) underWay.delete(key);
  }
}

/** Days after which a result that nothing asked for is dropped. */
const KEPT_DAYS = 30;

/** Drops results that nothing has asked for lately. @returns how many */
export async function dropOldResults(sql: postgres.Sql): Promise<number> {
  const { count } = await sql`delete from derived where used_on < current_date - ${KEPT_DAYS}::int`;
  return count;
}
