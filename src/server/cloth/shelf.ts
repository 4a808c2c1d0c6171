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
  /** When its stock was counted, and when its photo was taken in, ms since 1970. */
  readonly stockAt?: number;
  readonly pictureAt?: number;
}

/** The shelf of a project, by name; what nobody has said yet is as usual. */
export async function clothShelf(sql: Sql, project: Project): Promise<ShelvedCloth[]> {
  const rows = await sql<
    { name: string; shelf: ShelfCloth | null; revision: number; stockAt: string; pictureAt: string | null }[]
  >`
    select name, shelf, revision, stock_at as "stockAt", picture_at as "pictureAt" from cloth where project_id = ${project.id} order by name`;
  return rows.map(({ name, shelf, revision, stockAt, pictureAt }) => ({ ...USUAL_CLOTH, ...shelf, name, revision, stockAt: Date.parse(stockAt), ...(pictureAt === null ? {} : { pictureAt: Date.parse(pictureAt) }) })); // prettier-ignore
}

/**
 * Says how a cloth lies on the shelf.
 * @throws ServerError 404 where the project has no such cloth, 409 where someone else changed it since it was read
 */
export async function setShelf(
  sql: postgres.Sql,
  access: Access<'edit'>,
  cloth: ShelvedCloth,
): Promise<ShelvedCloth> {
  const [kept] = await setShelves(sql, access, [cloth]);
  if (!kept) throw notFound(`The cloth “${cloth.name}”`);
  return kept;
}

/**
 * Says how several cloths lie on the shelf, all or none.
 * @throws ServerError as {@link setShelf}, for the first that cannot be
 */
export async function setShelves(
  sql: postgres.Sql,
  access: Access<'edit'>,
  cloths: readonly ShelvedCloth[],
): Promise<ShelvedCloth[]> {
  // In the order of their names, so that two people who change several wait for each other, and not in a ring.
  const inOrder = [...cloths].sort((a, b) => (a.name < b.name ? -1 : 1));
  return inTransaction(sql, async (step) => {
    const kept: ShelvedCloth[] = [];
    for (const cloth of inOrder) kept.push(await setOne(step, access, cloth));
    await notify(step, access.project.id, 'blocks');
    return kept;
  });
}

async function setOne(
  step: Sql,
  access: Access<'edit'>,
  { name, revision, stockAt: _, pictureAt, ...shelf }: ShelvedCloth,
): Promise<ShelvedCloth> {
  const { project } = access;
  const [row] = await step<{ shelf: ShelfCloth | null; revision: number; stockAt: string }[]>`
      select shelf, revision, stock_at as "stockAt" from cloth where project_id = ${project.id} and name = ${name} for update`;
  if (!row) throw notFound(`The cloth “${name}”`);
  const current = {
    ...USUAL_CLOTH,
    ...row.shelf,
    name,
    revision: row.revision,
    stockAt: Date.parse(row.stockAt),
  };
  if (row.revision !== revision)
    throw conflict(
      'Someone else changed this cloth meanwhile.',
      'Look at what it says now, then change it again.',
      current,
    );
  const isCounted =
    shelf.stockMm !== current.stockMm || JSON.stringify(shelf.pieces) !== JSON.stringify(current.pieces);
  const [after] = await step<{ stockAt: string }[]>`
    update cloth set shelf = ${json(step, shelf)}, revision = revision + 1,
      stock_at = case when ${isCounted} then now() else stock_at end
    where project_id = ${project.id} and name = ${name} returning stock_at as "stockAt"`;
  await audit(step, access, 'cloth-shelved', { name, before: row.shelf, after: shelf });
  return {
    ...shelf,
    name,
    revision: revision + 1,
    stockAt: Date.parse(after?.stockAt ?? ''),
    ...(pictureAt === undefined ? {} : { pictureAt }),
  };
}
