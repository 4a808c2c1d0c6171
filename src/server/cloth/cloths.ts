import type postgres from 'postgres';
import type { BlockDocument, ProjectBasting } from '@/core/block';
import { looksOfNew, type ClothLook } from '@/core/cloth';
import { audit, readProject, type Access, type Project } from '../projects';
import { contentHash, inTransaction, type Sql, json } from '../database';
import { notFound } from '../errors';
import { notify } from '../live';

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

/**
 * Renames a cloth in all blocks, rules and lists of a project at once. Under a name that another cloth has, the two become one.
 * @throws ServerError 404 where no block uses the cloth
 */
export async function renameCloth(
  sql: postgres.Sql,
  access: Access<'edit'>,
  { from, to }: { readonly from: string; readonly to: string },
): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    await step`select 1 from project where id = ${project.id} for update`;
    await keepOrigin(step, project, from, to);
    const rows = await step<{ id: string; document: BlockDocument }[]>`
      select id, document from block where project_id = ${project.id} order by id for update`;
    let changed = 0;
    for (const { id, document } of rows) {
      if (!document.patches.some(({ fabric }) => fabric === from)) continue;
      const next = withClothRenamed(document, from, to);
      await step`
        update block set document = ${json(step, next)}, content_hash = ${contentHash(next)},
          revision = revision + 1 where id = ${id}`;
      changed += 1;
    }
    if (changed === 0) throw notFound(`The cloth “${from}”`);
    const [kept] = await step<
      { look: ClothLook; shelf: postgres.JSONValue; revision: number; stockAt: string }[]
    >`
      delete from cloth where project_id = ${project.id} and name = ${from} returning look, shelf, revision, stock_at as "stockAt"`;
    if (kept)
      await step`
        insert into cloth (project_id, name, look, shelf, revision, stock_at)
        values (${project.id}, ${to}, ${json(step, kept.look)}, ${kept.shelf === null ? null : step.json(kept.shelf)}, ${kept.revision}, ${kept.stockAt})
        on conflict do nothing`;
    const [row] = await step<
      { basting: ProjectBasting }[]
    >`select basting from project where id = ${project.id}`;
    const { pale } = row?.basting ?? {};
    if (pale?.includes(from)) {
      const basting = {
        ...row?.basting,
        pale: [...new Set(pale.map((name) => (name === from ? to : name)))],
      };
      await step`update project set basting = ${json(step, basting)} where id = ${project.id}`;
    }
    await audit(step, access, 'cloth-renamed', { from, to });
    await notify(step, project.id, 'blocks');
  });
}

/**
 * A cloth that is renamed is the same cloth still: what was sewn with it counts. One that takes the name of another is put
 * together with that, and is another cloth for those who have sewn with it.
 */
async function keepOrigin(step: Sql, project: Project, from: string, to: string): Promise<void> {
  const [taken] = await step`
    select 1 from block, jsonb_array_elements(document -> 'patches') patch
    where project_id = ${project.id} and removed_at is null and patch ->> 'fabric' = ${to} limit 1`;
  if (taken) return;
  const { clothOrigins } = await readProject(step, project);
  const origin = clothOrigins[from] ?? from;
  // A cloth that is given the old name later is a new one.
  const next = {
    ...clothOrigins,
    [to]: origin,
    [from]: `${from} (renamed ${Object.keys(clothOrigins).length + 1})`,
  };
  await step`update project set cloth_origins = ${json(step, next)} where id = ${project.id}`;
}

function withClothRenamed(document: BlockDocument, from: string, to: string): BlockDocument {
  const patches = document.patches.map((patch) => (patch.fabric === from ? { ...patch, fabric: to } : patch));
  const rules = document.rules?.map((rule) =>
    rule.kind === 'not-facing' && rule.fabric === from ? { ...rule, fabric: to } : rule,
  );
  return { ...document, patches, ...(rules ? { rules } : {}) };
}
