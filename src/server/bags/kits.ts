import type postgres from 'postgres';
import { USUAL_CHOICE, ownMark } from '@/core/bags';
import { audit, type Project, type Access } from '../projects';
import { inTransaction, type Sql } from '../database';
import { listSummaries } from '../blocks';
import { conflict, notFound } from '../errors';
import { listMakers } from '../makers';
import { notify } from '../live';

export type KitStatus = 'to-pack' | 'packed' | 'handed-over';

/** One maker's bag for one block. */
export interface Kit {
  readonly blockId: string;
  readonly makerId: string;
  readonly status: KitStatus;
  readonly revision: number;
  /** What lay in it when it was packed, as the block's summary marks its bag; null where it is not packed. */
  readonly packedMark: string | null;
  /** When it was packed; told by {@link listKits} alone. */
  readonly packedAt?: string | null;
  /** How it stands at the packing table, where that says more than its status; told by {@link listKits} alone. */
  readonly table?: 'in-hands' | 'begun' | 'checked' | null;
  /** Who changed it last, and when; told by {@link listKits} alone. */
  readonly changedBy?: string | null;
  readonly changedAt?: string;
}

/** Bags whose status was ever changed; all others are to be packed, revision 0. */
export function listKits(sql: Sql, project: Project): Promise<Kit[]> {
  return sql<Kit[]>`
    select k.block_id as "blockId", k.maker_id as "makerId", k.status, k.revision, k.packed_mark as "packedMark",
      k.packed_at as "packedAt", k.changed_at as "changedAt", (select a.name from account a where a.id = k.changed_by) as "changedBy",
      case
        when k.status = 'packed' and k.checked_by is not null then 'checked'
        when k.status = 'to-pack' and k.held_until > now() then 'in-hands'
        when k.status = 'to-pack' and jsonb_path_exists(k.ticks, '$.*.count ? (@ > 0)') then 'begun'
      end as "table"
    from kit k join block b on b.id = k.block_id
    where b.project_id = ${project.id}`;
}

/** What a bag is to become, from what was read of it. */
export interface KitWish {
  readonly blockId: string;
  readonly makerId: string;
  readonly status: KitStatus;
  readonly revision: number;
}

/** Bags as they are now; those that someone else had changed since they were read are as that person left them. */
export interface ChangedKits {
  readonly changed: readonly Kit[];
  readonly refused: readonly Kit[];
}

/** Changes a bag's status; refused when it was changed by someone else since `revision` was read. */
export async function setKitStatus(sql: postgres.Sql, access: Access<'pack'>, wish: KitWish): Promise<Kit> {
  const {
    changed: [changed],
    refused: [refused],
  } = await setKitStatuses(sql, access, [wish]);
  if (refused) {
    throw conflict(
      `Someone else marked this bag “${refused.status.replace('-', ' ')}” meanwhile.`,
      'The page now shows it; change it again if yours still holds.',
      refused,
    );
  }
  return changed as Kit;
}

/** Changes many bags at once, such as all of a block or all of a maker. @throws ServerError 404 for a bag that is none */
export async function setKitStatuses(
  sql: postgres.Sql,
  access: Access<'pack'>,
  wishes: readonly KitWish[],
): Promise<ChangedKits> {
  // In one order for everybody: two who change the same bags wait for each other instead of locking each other out.
  const inOrder = [...wishes].sort((a, b) => (keyOf(a) < keyOf(b) ? -1 : 1));
  const markOf = await bagMarks(sql, access.project);
  return inTransaction(sql, async (step) => {
    const changed: Kit[] = [];
    const refused: Kit[] = [];
    for (const wish of inOrder) {
      const before = await lockKit(step, access.project, wish);
      const isSame = before.status === wish.status;
      if (!isSame && before.revision !== wish.revision) refused.push(before);
      else changed.push(isSame ? before : await writeKit(step, access, before, wish.status, markOf(wish)));
    }
    if (changed.length > 0) await notify(step, access.project.id, 'kits');
    return { changed, refused };
  });
}

/** What marks the contents of each bag, to know later which were packed before something changed; null for a bag that is none. */
export async function bagMarks(sql: Sql, project: Project): Promise<(bag: Pick<KitWish, 'blockId' | 'makerId'>) => string | null> {
  const [{ blocks }, makers] = await Promise.all([listSummaries(sql, project), listMakers(sql, project)]);
  const marks = new Map(blocks.map(({ id, summary }) => [id, summary]));
  const choices = new Map(makers.map((maker) => [maker.id, maker]));
  return ({ blockId, makerId }) => {
    const mark = marks.get(blockId);
    return mark === undefined ? null : ownMark(mark.bag, choices.get(makerId) ?? USUAL_CHOICE, { fabrics: mark.cloths.map((fabric) => ({ fabric })) });
  };
} // prettier-ignore

function keyOf({ blockId, makerId }: KitWish): string {
  return `${blockId}/${makerId}`;
}

/** Reads a bag for a change, and makes it where it was never changed before. @throws ServerError 404 for a bag that is none */
export async function lockKit(
  step: Sql,
  project: Project,
  { blockId, makerId }: Pick<KitWish, 'blockId' | 'makerId'>,
): Promise<Kit> {
  const [both] = await step`
    select 1 from block b, maker m where b.id = ${blockId} and m.id = ${makerId}
      and b.project_id = ${project.id} and m.project_id = ${project.id}`;
  if (!both) throw notFound('This bag');
  await step`
    insert into kit (block_id, maker_id, status, revision) values (${blockId}, ${makerId}, 'to-pack', 0)
    on conflict do nothing`;
  const [kit] = await step<Kit[]>`
    select block_id as "blockId", maker_id as "makerId", status, revision, packed_mark as "packedMark" from kit
    where block_id = ${blockId} and maker_id = ${makerId} for update`;
  return kit as Kit;
}

/** Writes a bag's status and notes who did it. */
export async function writeKit(
  step: Sql,
  access: Access<'pack'>,
  before: Kit,
  status: KitStatus,
  mark: string | null,
): Promise<Kit> {
  const { blockId, makerId } = before;
  // What is handed over or comes back is as it was packed.
  const isPacked = before.status === 'to-pack' && status !== 'to-pack';
  const packedMark = status === 'to-pack' ? null : isPacked ? mark : before.packedMark;
  await step`
    update kit set status = ${status}, packed_mark = ${packedMark}, checked_by = null,
      packed_at = case when ${status} = 'to-pack' then null else coalesce(packed_at, now()) end,
      ticks = case when ${status} = 'to-pack' then '{}' else ticks end, revision = revision + 1, changed_by = ${access.account.id}, changed_at = now()
    where block_id = ${blockId} and maker_id = ${makerId}`;
  await audit(step, access, 'kit-changed', {
    blockId,
    makerId,
    from: before.status,
    to: status,
  });
  return { ...before, status, packedMark, revision: before.revision + 1 };
}
