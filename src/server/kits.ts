import type postgres from 'postgres';
import type { Account } from './accounts';
import { audit } from './audit';
import { inTransaction, type Sql } from './database';
import { conflict, notFound } from './errors';
import { notify } from './notify';
import { openProject, type Project } from './projects';

export type KitStatus = 'to-pack' | 'packed' | 'handed-over';

/** One maker's bag for one block. */
export interface Kit {
  readonly blockId: string;
  readonly makerId: string;
  readonly status: KitStatus;
  readonly revision: number;
}

/** Bags whose status was ever changed; all others are to be packed, revision 0. */
export function listKits(sql: Sql, project: Pick<Project, 'id'>): Promise<Kit[]> {
  return sql<Kit[]>`
    select k.block_id as "blockId", k.maker_id as "makerId", k.status, k.revision
    from kit k join block b on b.id = k.block_id
    where b.project_id = ${project.id}`;
}

/** Changes a bag's status; refused when it was changed by someone else since `revision` was read. */
export async function setKitStatus(
  sql: postgres.Sql,
  account: Account,
  projectId: string,
  wish: { blockId: string; makerId: string; status: KitStatus; revision: number },
): Promise<Kit> {
  await openProject(sql, account, projectId, 'pack');
  const { blockId, makerId, status, revision } = wish;
  return inTransaction(sql, async (step) => {
    const [both] = await step`
      select 1 from block b, maker m where b.id = ${blockId} and m.id = ${makerId}
        and b.project_id = ${projectId} and m.project_id = ${projectId}`;
    if (!both) throw notFound('This bag');
    await step`
      insert into kit (block_id, maker_id, status, revision) values (${blockId}, ${makerId}, 'to-pack', 0)
      on conflict do nothing`;
    const [now] = await step<Kit[]>`
      select block_id as "blockId", maker_id as "makerId", status, revision from kit
      where block_id = ${blockId} and maker_id = ${makerId} for update`;
    if (!now) throw notFound('This bag');
    if (now.status === status) return now;
    if (now.revision !== revision) {
      throw conflict(
        `Someone else marked this bag “${now.status.replace('-', ' ')}” meanwhile.`,
        'The page now shows it; change it again if yours still holds.',
        now,
      );
    }
    await step`
      update kit set status = ${status}, revision = revision + 1, changed_by = ${account.id}, changed_at = now()
      where block_id = ${blockId} and maker_id = ${makerId}`;
    await audit(step, projectId, account.id, 'kit-changed', {
      blockId,
      makerId,
      from: now.status,
      to: status,
    });
    await notify(step, projectId, 'kits');
    return { ...now, status, revision: now.revision + 1 };
  });
}
