import sharp from 'sharp';
import type postgres from 'postgres';
import { audit, type Project, type Access } from '../projects';
import { inTransaction, type Sql } from '../database';
import { invalid, notFound } from '../errors';
import { openLink } from '../makers';
import { notify } from '../live';

/** A picture at a step, as pages know it; its bytes are asked for by its id. */
export interface StepPhoto {
  readonly id: string;
  readonly blockId: string;
  readonly stepId: string;
  /** What it shows: read out, and shown while it loads. */
  readonly says: string;
  readonly width: number;
  readonly height: number;
}

/** Longer side of a kept picture, and of what may be sent, pixels. */
const KEPT_PX = 1280;
const MOST_PIXELS = 60_000_000;
/** Pictures at one step. */
const MOST_AT_STEP = 4;

/**
 * Puts a picture to a step. It is read strictly, turned upright, made smaller and encoded anew: nothing of the file that
 * was sent is kept, neither its place nor its camera.
 * @param image the file, base64
 * @throws ServerError 422 when it is no picture, too large, or one too many
 */
export async function addPhoto(
  sql: postgres.Sql,
  access: Access<'edit'>,
  blockId: string,
  photo: { stepId: string; says: string; image: string },
): Promise<StepPhoto> {
  const { account, project } = access;
  const { data, info } = await encodeAnew(Buffer.from(photo.image, 'base64'));
  return inTransaction(sql, async (step) => {
    const [block] = await step`
      select id from block where id = ${blockId} and project_id = ${project.id} and removed_at is null for update`;
    if (!block) throw notFound('This block');
    const [count] = await step<{ n: number }[]>`
      select count(*)::int as n from step_photo
      where block_id = ${blockId} and step_id = ${photo.stepId} and removed_at is null`;
    if ((count?.n ?? 0) >= MOST_AT_STEP)
      throw invalid(`This step has ${MOST_AT_STEP} pictures already.`, 'Take one off first.', 'image');
    const [row] = await step<StepPhoto[]>`
      insert into step_photo (block_id, step_id, says, image, width, height, created_by)
      values (${blockId}, ${photo.stepId}, ${photo.says}, ${data}, ${info.width}, ${info.height}, ${account.id})
      returning id, block_id as "blockId", step_id as "stepId", says, width, height`;
    await audit(step, access, 'photo-added', { block: blockId, photo: row?.id });
    await notify(step, project.id, 'blocks');
    return row as StepPhoto;
  });
}

/** How the files begin that are taken: JPEG, PNG, WebP, and HEIC where the library can read it. Drawings never are. */
function isPicture(file: Buffer): boolean {
  const text = (from: number, to: number) => file.toString('latin1', from, to);
  return (
    text(0, 3) === '\xff\xd8\xff' ||
    text(0, 8) === '\x89PNG\r\n\x1a\n' ||
    (text(0, 4) === 'RIFF' && text(8, 12) === 'WEBP') ||
    (text(4, 8) === 'ftyp' && /^(heic|heix|mif1|msf1|avif)/.test(text(8, 12)))
  );
}

/** A picture that takes longer to read is none that a phone made, s. */
const MOST_SECONDS = 20;

/** Reads a picture strictly, turns it upright, makes it smaller and encodes it anew. @throws ServerError 422 */
export async function encodeAnew(file: Buffer) {
  try {
    if (!isPicture(file)) throw new Error('no picture');
    return await sharp(file, { limitInputPixels: MOST_PIXELS, failOn: 'error', animated: false })
      .rotate()
      .resize({ width: KEPT_PX, height: KEPT_PX, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 80 })
      .timeout({ seconds: MOST_SECONDS })
      .toBuffer({ resolveWithObject: true });
  } catch {
    throw invalid(
      'This file is no picture that can be read, or it has more than 60 million dots.',
      'Send a JPEG, PNG or WebP as it comes from the phone.',
      'image',
    );
  }
}

/** Pictures at the steps of a project's blocks, in the order in which they were put there. */
export async function listPhotos(sql: Sql, project: Project): Promise<StepPhoto[]> {
  const rows = await sql<StepPhoto[]>`
    select p.id, p.block_id as "blockId", p.step_id as "stepId", p.says, p.width, p.height
    from step_photo p join block b on b.id = p.block_id
    where b.project_id = ${project.id} and b.removed_at is null and p.removed_at is null
    order by p.created_at, p.id`;
  return [...rows];
}

/** The bytes of a picture, for those who may read its project. */
export async function readPhoto(sql: Sql, project: Project, photoId: string): Promise<Buffer> {
  const [row] = await sql<{ image: Buffer }[]>`
    select p.image from step_photo p join block b on b.id = p.block_id
    where p.id = ${photoId} and b.project_id = ${project.id} and p.removed_at is null`;
  if (!row) throw notFound('This picture');
  return row.image;
}

/** The bytes of a picture for a maker's personal link. */
export async function readMakerPhoto(sql: Sql, token: string, photoId: string): Promise<Buffer> {
  const { project } = await openLink(sql, token);
  return readPhoto(sql, project, photoId);
}

/** Takes a picture off its step, or puts it back. */
export async function setPhotoRemoved(
  sql: postgres.Sql,
  access: Access<'edit'>,
  photoId: string,
  isRemoved: boolean,
): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    const rows = await step`
      update step_photo p set removed_at = ${isRemoved ? sql`now()` : null}
      from block b where b.id = p.block_id and p.id = ${photoId} and b.project_id = ${project.id} returning p.id`;
    if (rows.length === 0) throw notFound('This picture');
    await audit(step, access, isRemoved ? 'photo-removed' : 'photo-restored', {
      photo: photoId,
    });
    await notify(step, project.id, 'blocks');
  });
}
