import { looksOfNew, type ClothLook } from '@/core/cloth';
import type { Project } from '../projects';
import { type Sql, json } from '../database';

/** Looks of a project's cloths, by name. */
export type ClothLooks = Readonly<Record<string, ClothLook>>;

/**
 * Looks of all cloths that a project uses. A cloth that has none yet gets the next one and keeps it.
 * @param fabrics names that are used
 */
export async function clothLooks(
  sql: Sql,
  project: Project,
  fabrics: readonly string[],
): Promise<ClothLooks> {
  const known = await readLooks(sql, project);
  const missing = fabrics.filter((name) => !(name in known)).sort();
  if (missing.length === 0) return known;
  await keepLooks(sql, project, missing, {});
  return readLooks(sql, project);
}

/** The looks of a project’s cloths, by name. */
export async function readLooks(sql: Sql, project: Project): Promise<ClothLooks> {
  const rows = await sql<
    { name: string; look: ClothLook }[]
  >`select name, look from cloth where project_id = ${project.id}`;
  return Object.fromEntries(rows.map(({ name, look }) => [name, look]));
}

/** A project's cloths and their colours. */
export async function clothColours(sql: Sql, project: Project): Promise<Record<string, string>> {
  const looks = Object.entries(await readLooks(sql, project));
  return Object.fromEntries(looks.map(([name, { ground }]) => [name, ground]));
}

/** Gives cloths that are new to a project their looks: by their colour where a drawing told it, else the next one. */
export async function keepLooks(
  sql: Sql,
  project: Project,
  fabrics: readonly string[],
  colours: Readonly<Record<string, string>>,
): Promise<void> {
  const known = await sql<{ name: string }[]>`select name from cloth where project_id = ${project.id}`;
  const fresh = looksOfNew(
    known.map(({ name }) => name),
    fabrics,
    colours,
  );
  for (const [name, look] of Object.entries(fresh))
    await sql`
      insert into cloth (project_id, name, look) values (${project.id}, ${name}, ${json(sql, look)})
      on conflict do nothing`;
}
