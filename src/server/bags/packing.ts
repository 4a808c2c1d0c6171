import type postgres from 'postgres';
import { mergeTicks, type Ticks } from '@/core/packing';
import { inTransaction, json, type Sql } from '../database';
import { conflict } from '../errors';
import { notify } from '../live';
import { audit, type Access, type Project } from '../projects';
import { bagMarks, lockKit, writeKit, type KitStatus } from './kits';

/** A bag is in someone's hands for so long after they last touched it, minutes. */
export const HELD_MINUTES = 3;

/** A bag at the packing table. */
export interface PackingKit {
  readonly blockId: string;
  readonly makerId: string;
  readonly status: KitStatus;
  readonly ticks: Ticks;
  /** In whose hands it is now; null where in nobody's. */
  readonly holder: { readonly id: string; readonly name: string } | null;
  /** Who looked into it again; null where nobody did since it was packed. */
  readonly checkedBy: string | null;
}

/**
 * What is done with a bag: `take` it into one's hands (`isOver`: out of another's), say what lies in it, `leave` it as it is, `close`
 * it as packed, note that it was looked into again.
 */
export type PackingAct =
  | { readonly kind: 'take'; readonly isOver?: boolean }
  | { readonly kind: 'tick'; readonly ticks: Ticks }
  | { readonly kind: 'leave' }
  | { readonly kind: 'close' }
  | { readonly kind: 'check' };

export type BagAct = PackingAct & { readonly blockId: string; readonly makerId: string };

/** Bags that anything was ever done with. */
export function listPacking(sql: Sql, project: Project): Promise<PackingKit[]> {
  return selectKits(sql, sql`b.project_id = ${project.id}`);
}

function selectKits(sql: Sql, which: postgres.PendingQuery<postgres.Row[]>): Promise<PackingKit[]> {
  return sql<PackingKit[]>`
    select k.block_id as "blockId", k.maker_id as "makerId", k.status, k.ticks, c.name as "checkedBy",
      case when k.held_until > now() then json_build_object('id', h.id, 'name', h.name) end as holder
    from kit k join block b on b.id = k.block_id
      left join account h on h.id = k.holder left join account c on c.id = k.checked_by
    where ${which}`;
}

/**
 * Does one thing with a bag. Told twice, it is done once; what several say of its lines is put together.
 * @throws ServerError 404 for a bag that is none, 409 where it is in someone else's hands or was packed meanwhile
 */
export async function actOnBag(sql: postgres.Sql, access: Access<'pack'>, act: BagAct): Promise<PackingKit> {
  const markOf = await bagMarks(sql, access.project);
  return inTransaction(sql, async (step) => {
    const kit = await lockKit(step, access.project, act);
    const own = step`k.block_id = ${act.blockId} and k.maker_id = ${act.makerId}`;
    const [before] = await selectKits(step, own);
    const me = access.account.id;
    const others = before?.holder && before.holder.id !== me ? before.holder : undefined;
    switch (act.kind) {
      case 'take':
        if (others && !act.isOver)
          throw conflict(`${others.name} has this bag in hand.`, 'Take another, or take this one over.', before); // prettier-ignore
        if (others) await audit(step, access, 'bag-taken-over', { ...bagOf(act), from: others.name });
        await hold(step, act, me);
        break;
      case 'tick':
        await step`update kit set ticks = ${json(step, mergeTicks(before?.ticks ?? {}, act.ticks))}
          where block_id = ${act.blockId} and maker_id = ${act.makerId}`;
        if (!others) await hold(step, act, me);
        break;
      case 'leave':
        if (!others) await letGo(step, act);
        break;
      case 'close':
        if (kit.status === 'to-pack') await writeKit(step, access, kit, 'packed', markOf(act));
        if (!others) await letGo(step, act);
        break;
      case 'check':
        if (kit.status === 'to-pack')
          throw conflict('This bag is not packed.', 'Close it first; then it can be looked into again.', before); // prettier-ignore
        await step`update kit set checked_by = ${me} where block_id = ${act.blockId} and maker_id = ${act.makerId}`;
        await audit(step, access, 'bag-checked', bagOf(act));
        break;
    }
    await notify(step, access.project.id, 'kits');
    const [after] = await selectKits(step, own);
    return after as PackingKit;
  });
}

const bagOf = ({ blockId, makerId }: BagAct) => ({ blockId, makerId });

async function hold(step: Sql, { blockId, makerId }: BagAct, account: string): Promise<void> {
  await step`
    update kit set holder = ${account}, held_until = now() + make_interval(mins => ${HELD_MINUTES})
    where block_id = ${blockId} and maker_id = ${makerId}`;
}

async function letGo(step: Sql, { blockId, makerId }: BagAct): Promise<void> {
  await step`update kit set holder = null, held_until = null where block_id = ${blockId} and maker_id = ${makerId}`; // prettier-ignore
}
