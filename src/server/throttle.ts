import type { Sql } from './database';
import { ServerError } from './errors';

/**
 * Counts an attempt and refuses when there are too many in a window. Kept in the database, so that every server
 * process counts together.
 * @param key what is counted, for example `sign-in:host@example`
 */
export async function throttle(sql: Sql, key: string, most: number, windowSeconds: number): Promise<void> {
  const [row] = await sql<{ count: number; wait: number }[]>`
    insert into attempt (key, count, window_ends)
    values (${key}, 1, now() + ${windowSeconds} * interval '1 second')
    on conflict (key) do update set
      count = case when attempt.window_ends < now() then 1 else attempt.count + 1 end,
      window_ends = case when attempt.window_ends < now() then excluded.window_ends else attempt.window_ends end
    returning count, ceil(extract(epoch from window_ends - now()))::int as wait`;
  if (row && row.count > most) {
    throw new ServerError(429, {
      code: 'too-many',
      what: 'There were too many attempts.',
      mend: `Wait ${Math.ceil(row.wait / 60)} min and try again.`,
    });
  }
}

/** Forgets the attempts of a key, after it succeeded. */
export async function forgive(sql: Sql, key: string): Promise<void> {
  await sql`delete from attempt where key = ${key} or window_ends < now() - interval '1 day'`;
}
