import type postgres from 'postgres';
import { MOST_RECEIPTS } from '@/core/packing';
import { inTransaction, type Sql } from '../database';
import { conflict, notFound } from '../errors';
import { notify } from '../live';
import { audit, type Access, type Project } from '../projects';
import { lockKit, writeKit } from './kits';

/** How bags come to their maker. */
export type HandoverWay = 'counter' | 'post';

/** Bags that were handed to their maker at one time, with what a receipt says. */
export interface Handover {
  readonly id: string;
  readonly makerId: string;
  readonly maker: string;
  readonly how: HandoverWay;
  /** What the carrier calls it; empty at the counter. */
  readonly tracking: string;
  readonly packets: number;
  /** Weight of it all, g; null where nobody weighed it. */
  readonly grams: number | null;
  /** Ids of the blocks. */
  readonly blocks: readonly string[];
  readonly by: string | null;
  readonly at: string;
}

/** What is written down when bags are handed over; its id is the page’s, so that it may be sent again. */
export type NewHandover = Omit<Handover, 'maker' | 'by' | 'at'>;

/**
 * Handovers of a project that were not taken back, the latest `MOST_RECEIPTS`.
 * @param find part of the name of their makers, in whatever letters; empty for all
 */
export async function listHandovers(sql: Sql, project: Project, find = ''): Promise<Handover[]> {
  const rows = await sql<Handover[]>`
    select h.id, h.maker_id as "makerId", m.name as maker, h.how, h.tracking, h.packets, h.grams, h.blocks, a.name as by, h.at
    from handover h join maker m on m.id = h.maker_id left join account a on a.id = h.account_id
    where h.project_id = ${project.id} and h.taken_back_at is null and m.erased_at is null
      and strpos(lower(m.name), lower(${find})) > 0
    order by h.at desc, h.id limit ${MOST_RECEIPTS}`;
  return [...rows];
}

/**
 * Hands a maker’s packed bags over and writes it down; sent again it is done once.
 * @throws ServerError 404 for a bag that is none, 409 for one that is not packed
 */
export async function handOver(
  sql: postgres.Sql,
  access: Access<'pack'>,
  { id, makerId, how, tracking, packets, grams, blocks }: NewHandover,
): Promise<void> {
  const { project, account } = access;
  await inTransaction(sql, async (step) => {
    const [before] = await step`select 1 from handover where id = ${id}`;
    if (before) return;
    for (const blockId of [...blocks].sort()) {
      const kit = await lockKit(step, project, { blockId, makerId });
      if (kit.status !== 'packed')
        throw conflict('One of these bags is not packed.', 'Look at the list again: it shows how each stands now.', kit); // prettier-ignore
      await writeKit(step, access, kit, 'handed-over', null);
    }
    await step`
      insert into handover (id, project_id, maker_id, how, tracking, packets, grams, blocks, account_id)
      values (${id}, ${project.id}, ${makerId}, ${how}, ${tracking}, ${packets}, ${grams}, ${[...blocks]}, ${account.id})`;
    await audit(step, access, 'handed-over', { maker: makerId, how, bags: blocks.length });
    await notify(step, project.id, 'kits');
  });
}

/** Takes a handover back: its bags are packed again, unless something else became of one since. @throws ServerError 404 */
export async function takeHandoverBack(sql: postgres.Sql, access: Access<'pack'>, id: string): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    const [row] = await step<{ makerId: string; blocks: string[] }[]>`
      update handover set taken_back_at = now() where id = ${id} and project_id = ${project.id} and taken_back_at is null
      returning maker_id as "makerId", blocks`;
    if (!row) throw notFound('This handover');
    for (const blockId of [...row.blocks].sort()) {
      const kit = await lockKit(step, project, { blockId, makerId: row.makerId });
      if (kit.status === 'handed-over') await writeKit(step, access, kit, 'packed', null);
    }
    await audit(step, access, 'handover-taken-back', { handover: id });
    await notify(step, project.id, 'kits');
  });
}
