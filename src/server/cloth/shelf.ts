import type postgres from 'postgres';
import { USUAL_CLOTH, type ShelfCloth } from '@/core/cloth';
import { inTransaction, json, type Sql } from '../database';
import { conflict, notFound } from '../errors';
import { notify } from '../live';
import { audit, type Access, type Project } from '../projects';

/** A cloth of the shelf and the revision at which it was read. */
export interface ShelvedCloth extends ShelfCloth {
  readonly name: string;
  readonly revision: number;
}

/** The shelf of a project, by name; what nobody has said yet is as usual. */
export async function clothShelf(sql: Sql, project: Project): Promise<ShelvedCloth[]> {
  const rows = await sql<{ name: string; shelf: ShelfCloth | null; revision: number }[]>`
    select name, shelf, revision from cloth where project_id = ${project.id} order by name`;
  return rows.map(({ name, shelf, revision }) => ({ ...USUAL_CLOTH, ...shelf, name, revision }));
}

/**
 * Says how a cloth lies on the shelf.
 * @throws ServerError 404 where the project has no such cloth, 409 where someone else changed it since it was read
 */
export async function setShelf(
  sql: postgres.Sql,
  access: Access<'edit'>,
  { name, revision, ...shelf }: ShelvedCloth,
): Promise<ShelvedCloth> {
  const { project } = access;
  return inTransaction(sql, async (step) => {
    const [row] = await step<{ shelf: ShelfCloth | null; revision: number }[]>`
      select shelf, revision from cloth where project_id = ${project.id} and name = ${name} for update`;
    if (!row) throw notFound(`The cloth “${name}”`);
    const current = { ...USUAL_CLOTH, ...row.shelf, name, revision: row.revision };
    if (row.revision !== revision)
      throw conflict(
        'Someone else changed this cloth meanwhile.',
        'Look at what it says now, then change it again.',
        current,
      );
    await step`
      update cloth set shelf = ${json(step, shelf)}, revision = revision + 1
      where project_id = ${project.id} and name = ${name}`;
    await audit(step, access, 'cloth-shelved', { name, before: row.shelf, after: shelf });
    await notify(step, project.id, 'blocks');
    return { ...shelf, name, revision: revision + 1 };
  });
}
