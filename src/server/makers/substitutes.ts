import { substitutions, type Substitution, type Ticks } from '@/core/packing';
import type { Sql } from '../database';

/** What lies in a maker's packed bags in place of what belongs there, by block; bags that are not packed yet say nothing. */
export async function substitutesFor(
  sql: Sql,
  makerId: string,
): Promise<ReadonlyMap<string, Substitution[]>> {
  const rows = await sql<{ blockId: string; ticks: Ticks }[]>`
    select block_id as "blockId", ticks from kit where maker_id = ${makerId} and status <> 'to-pack'`;
  return new Map(rows.map(({ blockId, ticks }) => [blockId, substitutions(ticks)]));
}
