import type postgres from 'postgres';
import type { BlockDocument, ProjectBasting } from '@/core/block';
import { looksOfNew, type ClothLook } from '@/core/cloth';
import type { Account } from './accounts';
import { audit } from './audit';
import { inTransaction, type Sql } from './database';
import { notFound } from './errors';
import { notify } from './notify';
import { openProject } from './projects';
import { contentHash } from './sheets';

/** Looks of a project's cloths, by name. */
export type ClothLooks = Readonly<Record<string, ClothLook>>;

/**
 * Looks of all cloths that a project uses. A cloth that has none yet gets the next one and keeps it.
 * @param fabrics names that are used
 */
export async function clothLooks(
  sql: Sql,
  projectId: string,
  fabrics: readonly string[],
): Promise<ClothLooks> {
  const known = await readLooks(sql, projectId);
  const missing = fabrics.filter((name) => !(name in known)).sort();
  if (missing.length === 0) return known;
  await keepLooks(sql, projectId, missing, {});
  return readLooks(sql, projectId);
}

async function readLooks(sql: Sql, projectId: string): Promise<ClothLooks> {
  const rows = await sql<
    { name: string; look: ClothLook }[]
  >`select name, look from cloth where project_id = ${projectId}`;
  return Object.fromEntries(rows.map(({ name, look }) => [name, look]));
}

/** A project's cloths and their colours. */
export async function clothColours(
  sql: Sql,
  { id }: { readonly id: string },
): Promise<Record<string, string>> {
  const looks = Object.entries(await readLooks(sql, id));
  return Object.fromEntries(looks.map(([name, { ground }]) => [name, ground]));
}

/** Gives cloths that are new to a project their looks: by their colour where a drawing told it, else the next one. */
export async function keepLooks(
  sql: Sql,
  projectId: string,
  fabrics: readonly string[],
  colours: Readonly<Record<string, string>>,
): Promise<void> {
  const known = await sql<{ name: string }[]>`select name from cloth where project_id = ${projectId}`;
  const fresh = looksOfNew(
    known.map(({ name }) => name),
    fabrics,
    colours,
  );
  for (const [name, look] of Object.entries(fresh))
    await sql`
      insert into cloth (project_id, name, look) values (${projectId}, ${name}, ${sql.json(look as unknown as postgres.JSONValue)})
      on conflict do nothing`;
}

/**
 * Renames a cloth in all blocks, rules and lists of a project at once. Under a name that another cloth has, the two become one.
 * @throws ServerError 404 where no block uses the cloth
 */
export async function renameCloth(
  sql: postgres.Sql,
  account: Account,
  projectId: string,
  { from, to }: { readonly from: string; readonly to: string },
): Promise<void> {
  await openProject(sql, account, projectId, 'edit');
  await inTransaction(sql, async (step) => {
    await step`select 1 from project where id = ${projectId} for update`;
    const rows = await step<{ id: string; document: BlockDocument }[]>`
      select id, document from block where project_id = ${projectId} order by id for update`;
    let changed = 0;
    for (const { id, document } of rows) {
      if (!document.patches.some(({ fabric }) => fabric === from)) continue;
      const next = withClothRenamed(document, from, to);
      await step`
        update block set document = ${step.json(next as unknown as postgres.JSONValue)}, content_hash = ${contentHash(next)},
          revision = revision + 1 where id = ${id}`;
      changed += 1;
    }
    if (changed === 0) throw notFound(`The cloth “${from}”`);
    const [look] = await step<{ look: ClothLook }[]>`
      delete from cloth where project_id = ${projectId} and name = ${from} returning look`;
    if (look)
      await step`
        insert into cloth (project_id, name, look)
        values (${projectId}, ${to}, ${step.json(look.look as unknown as postgres.JSONValue)}) on conflict do nothing`;
    const [project] = await step<
      { basting: ProjectBasting }[]
    >`select basting from project where id = ${projectId}`;
    const { pale } = project?.basting ?? {};
    if (pale?.includes(from)) {
      const basting = {
        ...project?.basting,
        pale: [...new Set(pale.map((name) => (name === from ? to : name)))],
      };
      await step`update project set basting = ${step.json(basting as unknown as postgres.JSONValue)} where id = ${projectId}`;
    }
    await audit(step, projectId, account.id, 'cloth-renamed', { from, to });
    await notify(step, projectId, 'blocks');
  });
}

function withClothRenamed(document: BlockDocument, from: string, to: string): BlockDocument {
  const patches = document.patches.map((patch) => (patch.fabric === from ? { ...patch, fabric: to } : patch));
  const rules = document.rules?.map((rule) =>
    rule.kind === 'not-facing' && rule.fabric === from ? { ...rule, fabric: to } : rule,
  );
  return { ...document, patches, ...(rules ? { rules } : {}) };
}
