import { createHash } from 'node:crypto';
import type postgres from 'postgres';
import type { Sql } from './database';

/** Hash of whatever a result depends on, for its key. */
export function hashOf(...content: readonly unknown[]): string {
  return createHash('sha256').update(JSON.stringify(content)).digest('hex');
}

/** A computed result from the cache under its key, or computed now and kept. Never edited; a new key replaces it. */
export async function derived<T>(sql: Sql, key: string, compute: () => T | Promise<T>): Promise<T> {
  const [row] = await sql<{ result: T }[]>`select result from derived where key = ${key}`;
  if (row) return row.result;
  const result = await compute();
  await sql`
    insert into derived (key, result) values (${key}, ${sql.json(result as unknown as postgres.JSONValue)})
    on conflict (key) do nothing`;
  return result;
}
