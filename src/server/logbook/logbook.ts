import type postgres from 'postgres';
import { MOST_LOG_LINES } from '@/core/formats';
import { inTransaction, type Sql } from '../database';
import { notFound } from '../errors';
import { notify } from '../live';
import { encodeAnew } from '../photos';
import type { Access, Project } from '../projects';

/** What is written by hand; `change` and `trouble` come of themselves. */
export type LogKind = 'note' | 'decision' | 'next-time';

/** One line of the logbook. */
export interface LogEntry {
  readonly id: string;
  readonly kind: LogKind | 'change' | 'trouble';
  /** Null for the whole project. */
  readonly blockId: string | null;
  /** What was written; of a change its name in the list of what was done. */
  readonly text: string;
  /** Who; null for a maker, or someone who is gone. */
  readonly by: string | null;
  readonly at: string;
  /** Size of its picture, px; null where it has none. */
  readonly picture?: { readonly width: number; readonly height: number } | null;
}

/** The logbook of a project: what was noted, what was changed and who was stuck, newest first; of each the newest `MOST_LOG_LINES`. */
export async function listLog(sql: Sql, project: Project): Promise<LogEntry[]> {
  const rows = await sql<LogEntry[]>`
    select * from (
      (select e.id::text, e.kind, e.block_id as "blockId", e.text, a.name as "by", e.at,
          case when e.image is not null then jsonb_build_object('width', e.width, 'height', e.height) end as picture
        from log_entry e left join account a on a.id = e.account_id
        where e.project_id = ${project.id} and e.removed_at is null
        order by e.at desc, e.id limit ${MOST_LOG_LINES})
      union all
      (select d.id::text, 'change', b.id, d.what, a.name, d.at, null
        from audit d left join account a on a.id = d.account_id
          left join block b on b.id::text = d.details->>'block' and b.project_id = d.project_id
        where d.project_id = ${project.id}
        order by d.at desc, d.id limit ${MOST_LOG_LINES})
      union all
      (select t.id::text, 'trouble', t.block_id, concat_ws(': ', m.name,
          (select string_agg(w.text, ' — ' order by w.number) from trouble_word w where w.trouble_id = t.id and w.text <> '')), null, t.at, null
        from trouble t join maker m on m.id = t.maker_id join block b on b.id = t.block_id
        where b.project_id = ${project.id} and t.state <> 'withdrawn'
        order by t.at desc, t.id limit ${MOST_LOG_LINES})
    ) line order by at desc, id`;
  return [...rows];
}

/** What is written into the logbook; its id is the page’s. */
export interface NewLogEntry {
  readonly id: string;
  readonly kind: LogKind;
  readonly blockId: string | null;
  readonly text: string;
  /** A picture file, base64. */
  readonly image?: string;
}

/** Writes a line; sent again it is there once. @throws ServerError 404 for a block of another project, 422 for what is no picture */
export async function addLogEntry(
  sql: postgres.Sql,
  { project, account }: Access<'pack'>,
  { id, kind, blockId, text, image }: NewLogEntry,
): Promise<void> {
  const picture = image === undefined ? undefined : await encodeAnew(Buffer.from(image, 'base64'));
  await inTransaction(sql, async (step) => {
    if (blockId !== null) {
      const [own] = await step`select 1 from block where id = ${blockId} and project_id = ${project.id}`;
      if (!own) throw notFound('This block');
    }
    await step`
      insert into log_entry (id, project_id, block_id, kind, text, account_id, image, width, height)
      values (${id}, ${project.id}, ${blockId}, ${kind}, ${text}, ${account.id},
        ${picture?.data ?? null}, ${picture?.info.width ?? null}, ${picture?.info.height ?? null}) on conflict do nothing`;
    await notify(step, project.id, 'logbook');
  });
}

/** The bytes of a line’s picture. @throws ServerError 404 */
export async function readLogPicture(sql: Sql, project: Project, id: string): Promise<Buffer> {
  const [row] = await sql<{ image: Buffer | null }[]>`
    select image from log_entry where id = ${id} and project_id = ${project.id} and removed_at is null`;
  if (!row?.image) throw notFound('This picture');
  return row.image;
}

/** Takes a written line out, or puts it back. @throws ServerError 404 */
export async function setLogRemoved(
  sql: postgres.Sql,
  { project }: Access<'pack'>,
  id: string,
  isRemoved: boolean,
): Promise<void> {
  await inTransaction(sql, async (step) => {
    const rows = await step`
      update log_entry set removed_at = ${isRemoved ? step`now()` : null}, revision = revision + 1
      where id = ${id} and project_id = ${project.id} returning id`;
    if (rows.length === 0) throw notFound('This line');
    await notify(step, project.id, 'logbook');
  });
}
