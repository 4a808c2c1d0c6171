import type postgres from 'postgres';
import type { BlockDocument, ProjectBasting } from '@/core/block';
import type { ClothLook } from '@/core/cloth';
import { orderWithCloth, type OrderPlan } from '@/core/order';
import type { BagExtras } from '@/core/packing';
import { audit, readProject, type Access, type Project } from '../projects';
import { contentHash, inTransaction, json, type Sql } from '../database';
import { ServerError, conflict, notFound } from '../errors';
import { notify } from '../live';
import { keepLooks } from './cloths';

/** A change of cloths in all blocks; it can be taken back by its id as long as those blocks stay as it left them. */
export interface ClothChange {
  readonly id: string;
  /** Whether two cloths became one. */
  readonly isMerged: boolean;
}

interface ClothRow {
  readonly name: string;
  readonly look: ClothLook;
  readonly shelf: postgres.JSONValue;
  readonly revision: number;
  readonly stockAt: string;
  /** Its photo, base64. */
  readonly picture: string | null;
}

interface ProjectRow {
  readonly basting: ProjectBasting;
  readonly origins: Readonly<Record<string, string>>;
  readonly order: OrderPlan | null;
  readonly orderRevision: number;
  readonly extras: BagExtras | null;
  readonly extrasRevision: number;
}

/** What a change found. */
interface Before {
  readonly from: string;
  readonly to: string;
  readonly isMerged: boolean;
  readonly blocks: readonly { readonly id: string; readonly document: BlockDocument; readonly revision: number }[];
  readonly cloths: readonly ClothRow[];
  readonly project: ProjectRow;
  readonly makers: readonly { readonly id: string; readonly cloths: Readonly<Record<string, string>> }[];
} // prettier-ignore

/** So many changes of a project can be taken back. */
const MOST_CHANGES = 50;

/**
 * Renames a cloth everywhere at once: in blocks, rules, lists, what is bought, makers’ own cloths and bags that are begun. Under a name
 * that another cloth has, the two become one, where that is wanted.
 * @throws ServerError 404 where no block uses the cloth, 409 `would-merge` where the name is taken
 */
export async function renameCloth(
  sql: postgres.Sql,
  access: Access<'edit'>,
  { from, to, mayMerge = false }: { readonly from: string; readonly to: string; readonly mayMerge?: boolean },
): Promise<ClothChange> {
  return inTransaction(sql, async (step) => {
    const found = await lockAll(step, access.project, from, to);
    if (found.blocks.length === 0) throw notFound(`The cloth “${from}”`);
    if (found.isMerged && !mayMerge)
      throw new ServerError(409, {
        code: 'would-merge',
        what: `There is a cloth “${to}” already.`,
        mend: 'Take another name, or make the two one cloth.',
      });
    await keepOrigin(step, access.project, found);
    for (const { id, document } of found.blocks) await writeBlock(step, id, withCloth(document, from, to));
    // What lies on the shelf under the name and is in no block gives way.
    if (!found.isMerged)
      await step`delete from cloth where project_id = ${access.project.id} and name = ${to}`;
    await renameRow(step, access.project, from, to);
    await renameInProject(step, access.project, found);
    if (!found.isMerged) await renameTicks(step, access.project, from, to);
    return keep(step, access, found, found.isMerged ? 'cloths-merged' : 'cloth-renamed');
  });
}

/**
 * Makes one cloth two: in some blocks it is another from now on.
 * @throws ServerError 404 where none of these blocks uses it
 */
export async function splitCloth(
  sql: postgres.Sql,
  access: Access<'edit'>,
  { from, to, blocks }: { readonly from: string; readonly to: string; readonly blocks: readonly string[] },
): Promise<ClothChange> {
  return inTransaction(sql, async (step) => {
    const all = await lockAll(step, access.project, from, to);
    const found = { ...all, blocks: all.blocks.filter(({ id }) => blocks.includes(id)) };
    if (found.blocks.length === 0) throw notFound(`The cloth “${from}” in these blocks`);
    for (const { id, document } of found.blocks) await writeBlock(step, id, withCloth(document, from, to));
    const own = all.cloths.find(({ name }) => name === from);
    // It lies on the shelf like the first, but none of it is there yet, and it looks otherwise.
    if (!all.cloths.some(({ name }) => name === to)) {
      await keepLooks(step, access.project, [to], {});
      if (own?.shelf && typeof own.shelf === 'object')
        await step`
          update cloth set shelf = ${step.json({ ...own.shelf, stockMm: 0, pieces: [] })} where project_id = ${access.project.id} and name = ${to}`;
    }
    return keep(step, access, found, 'cloth-split');
  });
}

/**
 * Takes a change of cloths back.
 * @throws ServerError 404 for one that is none (any more), 409 where one of its blocks was changed since
 */
export async function takeClothChangeBack(sql: postgres.Sql, access: Access<'edit'>, id: string): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    await step`select 1 from project where id = ${project.id} for update`;
    const [row] = await step<{ before: Before & { readonly what: string } }[]>`
      delete from cloth_change where id = ${id} and project_id = ${project.id} returning before`;
    if (!row) throw notFound('This change of cloths');
    const { before } = row;
    const now = await step<{ id: string; name: string; revision: number }[]>`
      select id, name, revision from block where project_id = ${project.id} and id = any(${before.blocks.map((block) => block.id)}) order by id for update`;
    const changed = now.find(({ id: own, revision }) => revision !== 1 + (before.blocks.find((block) => block.id === own)?.revision ?? 0));
    if (changed) throw conflict(`The block “${changed.name}” was changed since.`, 'Rename or paint its cloth by hand.');
    for (const { id: own, document } of before.blocks) await writeBlock(step, own, document);
    if (before.what === 'cloth-renamed') await renameRow(step, project, before.to, before.from);
    for (const cloth of before.cloths) await writeCloth(step, project, cloth);
    const used = await step<{ fabric: string }[]>`
      select distinct patch ->> 'fabric' as fabric from block, jsonb_array_elements(document -> 'patches') patch where project_id = ${project.id}`;
    if (!before.cloths.some(({ name }) => name === before.to) && !used.some(({ fabric }) => fabric === before.to))
      await step`delete from cloth where project_id = ${project.id} and name = ${before.to}`;
    await putProjectBack(step, project, before);
    for (const { id: maker, cloths } of before.makers) await step`update maker set cloths = ${json(step, cloths)} where id = ${maker}`;
    if (before.what === 'cloth-renamed') await renameTicks(step, project, before.to, before.from);
    await audit(step, access, 'cloth-change-undone', { from: before.from, to: before.to });
    await notify(step, project.id, 'blocks');
  });
} // prettier-ignore

async function lockAll(step: Sql, project: Project, from: string, to: string): Promise<Before> {
  const [own] = await step<ProjectRow[]>`
    select basting, cloth_origins as origins, order_plan as "order", order_plan_revision as "orderRevision",
      bag_extras as extras, bag_extras_revision as "extrasRevision" from project where id = ${project.id} for update`;
  const all = await step<Before['blocks'][number][]>`
    select id, document, revision from block where project_id = ${project.id} order by id for update`;
  const uses = (fabric: string) => all.filter(({ document }) => document.patches.some((patch) => patch.fabric === fabric)); // prettier-ignore
  const cloths = await step<ClothRow[]>`
    select name, look, shelf, revision, stock_at as "stockAt", encode(picture, 'base64') as picture from cloth
    where project_id = ${project.id} and name = any(${[from, to]}) order by name for update`;
  const makers = await step<Before['makers'][number][]>`
    select id, cloths from maker where project_id = ${project.id} and (cloths ? ${from} or exists (select 1 from jsonb_each_text(cloths) where value = ${from})) order by id for update`;
  if (!own) throw notFound('This project');
  return { from, to, isMerged: uses(to).length > 0, blocks: uses(from), cloths, project: own, makers };
}

async function keep(step: Sql, access: Access<'edit'>, found: Before, what: string): Promise<ClothChange> {
  const { id: projectId } = access.project;
  const [row] = await step<{ id: string }[]>`
    insert into cloth_change (project_id, before) values (${projectId}, ${json(step, { ...found, what })}) returning id`;
  await step`
    delete from cloth_change where project_id = ${projectId} and id not in (
      select id from cloth_change where project_id = ${projectId} order by made_at desc limit ${MOST_CHANGES})`;
  await audit(step, access, what, { from: found.from, to: found.to });
  await notify(step, projectId, 'blocks');
  return { id: row?.id ?? '', isMerged: found.isMerged };
}

async function writeBlock(step: Sql, id: string, document: BlockDocument): Promise<void> {
  await step`
    update block set document = ${json(step, document)}, content_hash = ${contentHash(document)}, revision = revision + 1
    where id = ${id}`;
}

/** A cloth lies on the shelf under another name; where that is one already, it goes. */
async function renameRow(step: Sql, { id }: Project, from: string, to: string): Promise<void> {
  await step`
    update cloth set name = ${to} where project_id = ${id} and name = ${from}
      and not exists (select 1 from cloth other where other.project_id = ${id} and other.name = ${to})`;
  await step`delete from cloth where project_id = ${id} and name = ${from}`;
}

/** Writes down a cloth that is not there; one of that name stays as it is. */
async function writeCloth(step: Sql, project: Project, { name, look, shelf, revision, stockAt, picture }: ClothRow): Promise<void> {
  await step`
    insert into cloth (project_id, name, look, shelf, revision, stock_at, picture, picture_at)
    values (${project.id}, ${name}, ${json(step, look)}, ${shelf === null ? null : step.json(shelf)}, ${revision}, ${stockAt},
      decode(${picture}, 'base64'), case when ${picture}::text is null then null else now() end)
    on conflict do nothing`;
} // prettier-ignore

function withCloth(document: BlockDocument, from: string, to: string): BlockDocument {
  const patches = document.patches.map((patch) => (patch.fabric === from ? { ...patch, fabric: to } : patch));
  const rules = document.rules?.map((rule) =>
    rule.kind === 'not-facing' && rule.fabric === from ? { ...rule, fabric: to } : rule,
  );
  return { ...document, patches, ...(rules ? { rules } : {}) };
}

const renamedIn = (names: readonly string[], from: string, to: string) => [
  ...new Set(names.map((name) => (name === from ? to : name))),
];

/** What a project says of its cloths besides its blocks. */
async function renameInProject(
  step: Sql,
  { id }: Project,
  { from, to, project, makers }: Before,
): Promise<void> {
  const { basting, order, extras } = project;
  if (basting.pale?.includes(from))
    await step`update project set basting = ${json(step, { ...basting, pale: renamedIn(basting.pale, from, to) })} where id = ${id}`; // prettier-ignore
  if (order)
    await step`
      update project set order_plan = ${json(step, orderWithCloth(order, from, to))}, order_plan_revision = order_plan_revision + 1 where id = ${id}`;
  if (extras?.walk?.includes(`cloth:${from}`))
    await step`
      update project set bag_extras = ${json(step, { ...extras, walk: renamedIn(extras.walk, `cloth:${from}`, `cloth:${to}`) })},
        bag_extras_revision = bag_extras_revision + 1 where id = ${id}`;
  for (const maker of makers) {
    const cloths = Object.fromEntries(
      Object.entries(maker.cloths).map((pair) => renamedPair(pair, from, to)),
    );
    await step`update maker set cloths = ${json(step, cloths)} where id = ${maker.id}`;
  }
}

const renamedPair = (pair: readonly [string, string], from: string, to: string) =>
  pair.map((name) => (name === from ? to : name)) as [string, string];

/** What was decided since by the page of the order or of bags stays decided. */
async function putProjectBack(step: Sql, { id }: Project, { from, to, project }: Before): Promise<void> {
  const { basting, origins, order, orderRevision, extras, extrasRevision } = project;
  if (basting.pale?.includes(from)) {
    const [now] = await step<{ basting: ProjectBasting }[]>`select basting from project where id = ${id}`;
    await step`update project set basting = ${json(step, { ...now?.basting, pale: basting.pale })} where id = ${id}`;
  }
  const [now] = await step<
    Pick<ProjectRow, 'origins'>[]
  >`select cloth_origins as origins from project where id = ${id}`;
  const kept = Object.entries(now?.origins ?? {}).filter(([name]) => name !== from && name !== to);
  const own = [from, to].flatMap((name) => (name in origins ? [[name, origins[name]]] : []));
  await step`update project set cloth_origins = ${json(step, Object.fromEntries([...kept, ...own]))} where id = ${id}`;
  if (order)
    await step`
      update project set order_plan = ${json(step, order)}, order_plan_revision = order_plan_revision + 1
      where id = ${id} and order_plan_revision = ${orderRevision + 1}`;
  if (extras)
    await step`
      update project set bag_extras = ${json(step, extras)}, bag_extras_revision = bag_extras_revision + 1
      where id = ${id} and bag_extras_revision = ${extrasRevision + 1}`;
}

/** Bags that are begun know their lines by the names of cloths. */
async function renameTicks(step: Sql, project: Project, from: string, to: string): Promise<void> {
  const [before, after] = [`cloth:${from}:`, `cloth:${to}:`];
  await step`
    update kit set ticks = (
      select jsonb_object_agg(case when starts_with(key, ${before}) then ${after}::text || substr(key, ${before.length + 1}) else key end, value)
      from jsonb_each(ticks))
    where block_id in (select id from block where project_id = ${project.id})
      and exists (select 1 from jsonb_object_keys(ticks) as own where starts_with(own, ${before}))`;
}

/**
 * A cloth that is renamed is the same cloth still: what was sewn with it counts. One that takes the name of another is put
 * together with that, and is another cloth for those who have sewn with it.
 */
async function keepOrigin(step: Sql, project: Project, { from, to, isMerged }: Before): Promise<void> {
  if (isMerged) return;
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
