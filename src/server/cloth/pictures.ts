import type postgres from 'postgres';
import { audit, type Access, type Project } from '../projects';
import { inTransaction, type Sql } from '../database';
import { notFound } from '../errors';
import { notify } from '../live';
import { encodeAnew } from '../photos';

/** What is done with the photo of a cloth: another one, none, or the one before. */
export type PictureChange =
  { readonly image: string } | { readonly isRemoved: true } | { readonly isBack: true };

/**
 * Says what one repeat of a cloth looks like, by a photo that was straightened and cropped; the one before is kept to be put back.
 * @throws ServerError 404 for a cloth that is none, 422 for a file that is no picture
 */
export async function setClothPicture(
  sql: postgres.Sql,
  access: Access<'edit'>,
  name: string,
  change: PictureChange,
): Promise<void> {
  const next = 'image' in change ? (await encodeAnew(Buffer.from(change.image, 'base64'))).data : null;
  await inTransaction(sql, async (step) => {
    const own = step`project_id = ${access.project.id} and name = ${name}`;
    const rows =
      'isBack' in change
        ? await step`
            update cloth set picture = picture_before, picture_before = picture,
              picture_at = case when picture_before is null then null else now() end where ${own} returning 1`
        : await step`
            update cloth set picture = ${next}, picture_before = picture, picture_at = ${next === null ? null : step`now()`}
            where ${own} returning 1`;
    if (rows.length === 0) throw notFound(`The cloth “${name}”`);
    await audit(step, access, 'cloth-pictured', { name });
    await notify(step, access.project.id, 'blocks');
  });
}

/** The photo of a cloth. @throws ServerError 404 where there is none */
export async function readClothPicture(sql: Sql, project: Project, name: string): Promise<Buffer> {
  const [row] = await sql<{ picture: Buffer | null }[]>`
    select picture from cloth where project_id = ${project.id} and name = ${name}`;
  if (!row?.picture) throw notFound('This picture');
  return row.picture;
}
