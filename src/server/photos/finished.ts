import type postgres from 'postgres';
import { audit, type Access, type Project } from '../projects';
import { inTransaction, type Sql } from '../database';
import { invalid, notFound } from '../errors';
import { notify } from '../live';
import { openLink } from '../makers';
import { encodeAnew } from './photos';

/** A picture of a finished block. */
export interface FinishedPhoto {
  readonly id: string;
  readonly blockId: string;
  readonly makerId: string;
  readonly maker: string;
  readonly width: number;
  readonly height: number;
  readonly isShared: boolean;
  readonly at: string;
}

/** Pictures that a maker may send of one block. */
const MOST_OF_BLOCK = 5;

/** Takes a maker’s picture of a finished block; sent again it is there once. @throws ServerError 404, 422 */
export async function addFinished(
  sql: postgres.Sql,
  token: string,
  { id, blockId, image }: { readonly id: string; readonly blockId: string; readonly image: string },
): Promise<FinishedPhoto[]> {
  const { maker, project } = await openLink(sql, token);
  const { data, info } = await encodeAnew(Buffer.from(image, 'base64'));
  await inTransaction(sql, async (step) => {
    const [block] = await step`
      select 1 from block where id = ${blockId} and project_id = ${project.id} and removed_at is null for update`;
    if (!block) throw notFound('This block');
    const [count] = await step<{ n: number }[]>`
      select count(*)::int as n from finished_photo where maker_id = ${maker.id} and block_id = ${blockId} and id <> ${id} and removed_at is null`;
    if ((count?.n ?? 0) >= MOST_OF_BLOCK)
      throw invalid(`There are ${MOST_OF_BLOCK} pictures of this block already.`, 'Take one off first.', 'image');
    await step`
      insert into finished_photo (id, maker_id, block_id, image, width, height)
      values (${id}, ${maker.id}, ${blockId}, ${data}, ${info.width}, ${info.height}) on conflict do nothing`;
    await notify(step, project.id, 'makers');
  });
  return finishedFor(sql, token);
} // prettier-ignore

/** What a maker sees: their own pictures, and those of others that are shared where the gallery is open. */
export async function finishedFor(sql: Sql, token: string): Promise<FinishedPhoto[]> {
  const { maker, project } = await openLink(sql, token);
  return select(sql, project, sql`(f.maker_id = ${maker.id} or (f.is_shared and p.is_gallery_open))`);
}

/** Takes a maker’s own picture off. @throws ServerError 404 */
export async function removeFinished(sql: postgres.Sql, token: string, id: string): Promise<FinishedPhoto[]> {
  const { maker } = await openLink(sql, token);
  const rows = await sql`
    update finished_photo set removed_at = now() where id = ${id} and maker_id = ${maker.id} and removed_at is null returning id`;
  if (rows.length === 0) throw notFound('This picture');
  return finishedFor(sql, token);
}

/** All pictures of a project, for those who run it, and whether makers see what is shared. */
export async function gallery(
  sql: Sql,
  project: Project,
): Promise<{ isOpen: boolean; photos: FinishedPhoto[] }> {
  const [row] = await sql<{ isOpen: boolean }[]>`
    select is_gallery_open as "isOpen" from project where id = ${project.id}`;
  return { isOpen: row?.isOpen ?? false, photos: await select(sql, project, sql`true`) };
}

function select(sql: Sql, project: Project, which: postgres.PendingQuery<postgres.Row[]>) {
  return sql<FinishedPhoto[]>`
    select f.id, f.block_id as "blockId", f.maker_id as "makerId", m.name as maker, f.width, f.height, f.is_shared as "isShared", f.at
    from finished_photo f join block b on b.id = f.block_id join project p on p.id = b.project_id join maker m on m.id = f.maker_id
    where b.project_id = ${project.id} and f.removed_at is null and b.removed_at is null and m.erased_at is null and ${which}
    order by f.at desc, f.id`;
}

/** What a host does with the gallery: opens it, or shares one picture in it. @throws ServerError 404 */
export async function changeGallery(
  sql: postgres.Sql,
  access: Access<'edit'>,
  change: { readonly isOpen: boolean } | { readonly id: string; readonly isShared: boolean },
): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    const rows =
      'isOpen' in change
        ? await step`update project set is_gallery_open = ${change.isOpen} where id = ${project.id} returning id`
        : await step`
            update finished_photo f set is_shared = ${change.isShared} from block b
            where b.id = f.block_id and f.id = ${change.id} and b.project_id = ${project.id} and f.removed_at is null returning f.id`;
    if (rows.length === 0) throw notFound('This picture');
    await audit(step, access, 'gallery-changed', change);
    await notify(step, project.id, 'makers');
  });
}

/** The bytes of a picture, for those who run the project. @throws ServerError 404 */
export async function readFinished(sql: Sql, project: Project, id: string): Promise<Buffer> {
  const [row] = await sql<{ image: Buffer }[]>`
    select f.image from finished_photo f join block b on b.id = f.block_id
    where f.id = ${id} and b.project_id = ${project.id} and f.removed_at is null`;
  if (!row) throw notFound('This picture');
  return row.image;
}

/** The bytes of a picture that a maker may see. @throws ServerError 404 */
export async function readMakerFinished(sql: Sql, token: string, id: string): Promise<Buffer> {
  const { project } = await openLink(sql, token);
  const seen = await finishedFor(sql, token);
  if (!seen.some((photo) => photo.id === id)) throw notFound('This picture');
  return readFinished(sql, project, id);
}
