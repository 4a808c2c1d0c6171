import Joi from 'joi';
import type postgres from 'postgres';
import { dropsOf, type Calendar } from '@/core/calendar';
import { WEIGHING_LIMITS, EXTRA_LIMITS, NO_EXTRAS, USUAL_BAGGING, outerBags, type BagExtras, type Bagging, type OuterBag } from '@/core/packing'; // prettier-ignore
import { readKeptCalendar } from '../calendar';
import { inTransaction, json, type Sql } from '../database';
import { conflict, notFound } from '../errors';
import { notify } from '../live';
import { audit, type Access, type Project } from '../projects';

/** The extras of a project under their revision. */
export interface KeptExtras {
  readonly extras: BagExtras;
  readonly revision: number;
}

interface Row {
  readonly extras: BagExtras | null;
  readonly revision: number;
}

const list = Joi.array()
  .items(
    Joi.object({
      what: Joi.string().trim().min(1).max(EXTRA_LIMITS.letters).required().label('what'),
      count: Joi.number().integer().min(EXTRA_LIMITS.count.least).max(EXTRA_LIMITS.count.most).required(),
    }),
  )
  .max(EXTRA_LIMITS.lines)
  .required();

const bagging = Joi.object<Bagging>({
  per: Joi.string().valid('block', 'drop').required().label('per'),
  isInner: Joi.boolean().strict().required(),
});

/** Drops of which bags are made otherwise. */
const MOST_DROPS = 200;

/** Places along a shelf, and letters of one: a paper’s name or a cloth’s. */
const MOST_PLACES = 2000;
const PLACE_LETTERS = 200;

const spareRule = Joi.alternatives(
  Joi.object({ percent: Joi.number().min(0).max(100).required() }),
  Joi.object({ count: Joi.number().integer().min(0).max(EXTRA_LIMITS.count.most).required() }),
);

const within = ({ least, most }: { readonly least: number; readonly most: number }) => Joi.number().min(least).max(most).required(); // prettier-ignore

/** Extras as they are sent. */
export const extrasSchema = Joi.object<BagExtras>({
  first: list,
  last: list,
  every: list,
  bagging: Joi.object({
    usual: bagging.required(),
    drops: Joi.object().pattern(Joi.string().max(80), bagging).max(MOST_DROPS).required(),
  }),
  spares: Joi.object().pattern(Joi.string().max(PLACE_LETTERS), spareRule).max(MOST_PLACES),
  gear: Joi.object({
    sorter: Joi.object({
      rows: Joi.number().integer().min(1).max(20).required(),
      columns: Joi.number().integer().min(2).max(20).required(),
    }),
    card: Joi.object({
      gramsPerM2: within(WEIGHING_LIMITS.gramsPerM2),
      variesPercent: within(WEIGHING_LIMITS.variesPercent),
    }),
    scale: Joi.object({
      resolutionG: within(WEIGHING_LIMITS.resolutionG),
      repeatabilityG: within(WEIGHING_LIMITS.repeatabilityG),
      driftG: within(WEIGHING_LIMITS.driftG),
      mostG: Joi.number().min(1).max(100_000).required(),
    }),
  }),
  walk: Joi.array().items(Joi.string().max(PLACE_LETTERS)).unique().max(MOST_PLACES),
});

export async function readKeptExtras(sql: Sql, project: Project): Promise<KeptExtras> {
  const [row] = await sql<Row[]>`
    select bag_extras as extras, bag_extras_revision as revision from project where id = ${project.id}`;
  return keptOf(row);
}

/** What stands in the row of a project. @throws ServerError 404 where it has gone meanwhile */
function keptOf(row: Row | undefined): KeptExtras {
  if (!row) throw notFound('This project');
  return { extras: row.extras ?? NO_EXTRAS, revision: row.revision };
}

/** @throws ServerError 409 where someone else changed them since they were read */
export async function saveExtras(
  sql: postgres.Sql,
  access: Access<'edit'>,
  { extras, revision }: KeptExtras,
): Promise<{ revision: number }> {
  const { id } = access.project;
  return inTransaction(sql, async (step) => {
    const [row] = await step<Row[]>`
      select bag_extras as extras, bag_extras_revision as revision from project where id = ${id} for update`;
    const before = keptOf(row);
    if (before.revision !== revision)
      throw conflict(
        'Someone changed the extras meanwhile.',
        'Yours is still here; look at theirs, then save yours again if it still holds.',
        before,
      );
    await step`update project set bag_extras = ${json(step, extras)}, bag_extras_revision = ${revision + 1} where id = ${id}`; // prettier-ignore
    await audit(step, access, 'extras-changed', { before: before.extras, after: extras });
    await notify(step, id, 'settings');
    return { revision: revision + 1 };
  });
}

/** The bags of a maker who sews every block, as the host wants them made. */
export async function projectBags(sql: Sql, project: Project, blocks: readonly { readonly id: string }[]): Promise<OuterBag[]> {
  const [{ extras }, { calendar }] = await Promise.all([readKeptExtras(sql, project), readKeptCalendar(sql, project)]);
  return outerBags(handedOutOrder(calendar, blocks), dropsOf(calendar), extras.bagging ?? USUAL_BAGGING);
} // prettier-ignore

/** All blocks in the order in which they are handed out; those of no drop come last, by their places. */
export function handedOutOrder(calendar: Calendar, blocks: readonly { readonly id: string }[]): string[] {
  const known = new Set(blocks.map(({ id }) => id));
  const dropped = dropsOf(calendar).flatMap((drop) => drop.blocks).filter((id) => known.has(id)); // prettier-ignore
  return [...new Set([...dropped, ...known])];
}
