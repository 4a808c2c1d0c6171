import Joi from 'joi';
import { checkCalendar, EMPTY_CALENDAR, renamed, type Calendar } from '@/core/calendar';
import type { ProjectFile } from '@/core/formats';
import type { OrderPlan } from '@/core/order';
import { calendarFileSchema, readKeptCalendar } from '../calendar';
import { WEAVE_COUNT, type ClothLook, type ShelfCloth } from '@/core/cloth';
import type { BagExtras } from '@/core/packing';
import { extrasSchema, readKeptExtras } from '../bags';
import { clothLooks, clothShelf, readLooks, shelfSchema } from '../cloth';
import { json, type Sql } from '../database';
import { groupNamed, listGroups } from '../makers';
import { orderSchema, readKeptOrder } from '../orders';
import { parse } from '../parse';
import type { Access, Project } from '../projects';
import { refused } from '../refused';

/** What a project file holds besides blocks and their settings: dates, buying, cloths, how bags are made. */
export type Belongings = Pick<ProjectFile, 'calendar' | 'order' | 'shelf' | 'bags'>;

type NameOf = (id: string) => string | undefined;

/** Blocks are named by their names; what nobody has said anything about is left out. */
export async function readBelongings(sql: Sql, project: Project, blockName: NameOf): Promise<Belongings> {
  const [kept, order, shelf, groups, looks, bags] = await Promise.all([
    readKeptCalendar(sql, project),
    readKeptOrder(sql, project),
    clothShelf(sql, project),
    listGroups(sql, project),
    readLooks(sql, project),
    readKeptExtras(sql, project),
  ]);
  const groupName = (id: string) => groups.find((group) => group.id === id)?.name;
  return {
    ...(kept.revision > 0 ? { calendar: { ...renamed(kept.calendar, blockName, groupName) } } : {}),
    ...(order.revision > 0 ? { order: { ...withCutsOf(order.order, blockName) } } : {}),
    ...(shelf.length > 0 ? { shelf: shelf.map(({ stockAt: _at, revision, ...cloth }) => ({ ...(revision > 0 ? cloth : { name: cloth.name }), look: looks[cloth.name] })) } : {}),
    ...(bags.revision > 0 ? { bags: { ...bags.extras } } : {}),
  };
} // prettier-ignore

/** Puts them into a new project. @throws ServerError 422 with the place in the file, and nothing is written */
export async function writeBelongings(step: Sql, access: Access<'edit'>, { calendar, order, shelf, bags }: Belongings, ids: ReadonlyMap<string, string>): Promise<void> {
  const { id } = access.project;
  const blockId = (name: string) => ids.get(name);
  if (calendar) await writeCalendar(step, access, parse(CALENDAR, { calendar }).calendar, ids);
  if (order) {
    const plan = withCutsOf(parse(ORDER, { order }).order, blockId);
    await step`update project set order_plan = ${json(step, plan)}, order_plan_revision = 1 where id = ${id}`;
  }
  if (bags) await step`update project set bag_extras = ${json(step, parse(BAGS, { bags }).bags)}, bag_extras_revision = 1 where id = ${id}`;
  const cloths = shelf ? parse(SHELF, { shelf }).shelf : [];
  for (const { name, look } of cloths)
    if (look) await step`insert into cloth (project_id, name, look) values (${id}, ${name}, ${json(step, look)}) on conflict do nothing`;
  await clothLooks(step, access.project, cloths.map(({ name }) => name));
  for (const { name, look: _look, ...cloth } of cloths)
    if (Object.keys(cloth).length > 0)
      await step`update cloth set shelf = ${json(step, cloth)}, revision = 1, stock_at = now() where project_id = ${id} and name = ${name}`;
} // prettier-ignore

async function writeCalendar(step: Sql, access: Access<'edit'>, sent: Calendar, ids: ReadonlyMap<string, string>): Promise<void> {
  const groups = new Map<string, string>();
  for (const name of new Set(sent.entries.flatMap(({ group }) => group ?? [])))
    groups.set(name, (await groupNamed(step, access, name)).id);
  const own = renamed(sent, (name) => ids.get(name), (name) => groups.get(name));
  const calendar = refused(() => checkCalendar({ ...EMPTY_CALENDAR, ...own }, new Set(ids.values())));
  await step`update project set calendar = ${json(step, calendar)}, calendar_revision = 1 where id = ${access.project.id}`;
} // prettier-ignore

const withCutsOf = (plan: OrderPlan, nameOf: NameOf): OrderPlan => ({
  ...plan,
  givenCuts: plan.givenCuts.flatMap((cut) => {
    const blockId = nameOf(cut.blockId);
    return blockId === undefined ? [] : [{ ...cut, blockId }];
  }),
});

const CALENDAR = Joi.object<{ calendar: Calendar }>({ calendar: calendarFileSchema.required() });
const ORDER = Joi.object<{ order: OrderPlan }>({ order: orderSchema.required() });
const BAGS = Joi.object<{ bags: BagExtras }>({ bags: extrasSchema.required() });
const colour = Joi.string()
  .pattern(/^#[0-9a-f]{6}$/i)
  .required();
const look = Joi.object<ClothLook>({
  ground: colour,
  figure: colour,
  weave: Joi.number().integer().min(0).less(WEAVE_COUNT).required(),
});
type FiledCloth = Partial<ShelfCloth> & { readonly name: string; readonly look?: ClothLook };
const filed = shelfSchema.fork('revision', (revision) => revision.forbidden()).append<FiledCloth>({ look });
const SHELF = Joi.object<{ shelf: FiledCloth[] }>({
  shelf: Joi.array()
    .items(
      Joi.alternatives().conditional('.widthMm', {
        is: Joi.exist(),
        then: filed,
        otherwise: Joi.object({ name: Joi.string().max(200).required(), look }),
      }),
    )
    .max(2000)
    .unique('name')
    .required(),
});
