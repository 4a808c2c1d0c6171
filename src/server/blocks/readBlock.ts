import type { BlockDocument } from '@/core/block';
import type { Sql } from '../database';
import { notFound } from '../errors';
import { isId } from '../parse';
import type { Project } from '../projects';

/** A block as it is kept. */
export interface BlockRow {
  readonly id: string;
  readonly name: string;
  readonly place: number;
  readonly revision: number;
  readonly contentHash: string;
  readonly document: BlockDocument;
}

/** One block of a project. @throws ServerError 404 for what is not there, taken out or another project's */
export async function readBlock(sql: Sql, project: Project, blockId: string): Promise<BlockRow> {
  if (!isId(blockId)) throw notFound('This block');
  const [row] = await sql<BlockRow[]>`
    select id, name, place, revision, content_hash as "contentHash", document
    from block where id = ${blockId} and project_id = ${project.id} and removed_at is null`;
  if (!row) throw notFound('This block');
  return row;
}

/** A block's document with the revision to save it under. */
export async function readRevision(
  sql: Sql,
  project: Project,
  blockId: string,
): Promise<Pick<BlockRow, 'name' | 'revision' | 'document'>> {
  const { name, revision, document } = await readBlock(sql, project, blockId);
  return { name, revision, document };
}

/** A block's document, as it is kept. */
export async function readDocument(sql: Sql, project: Project, blockId: string): Promise<BlockDocument> {
  return (await readBlock(sql, project, blockId)).document;
}
