import Joi from 'joi';
import { MOST_COUNT, MOST_INSTEAD_LETTERS, type Ticks } from '@/core/packing';
import { actOnBag, listPacking, type BagAct } from '@/server/bags';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { id, parse } from '@/server/parse';

/** A line's key is as long as names of papers and cloths are; a bag has so many lines. */
const KEY_LETTERS = 500;
const MOST_LINES = 400;

const TICKS = Joi.object<Ticks>()
  .pattern(
    Joi.string().max(KEY_LETTERS),
    Joi.object({
      count: Joi.number().integer().min(0).max(MOST_COUNT).required().label('count'),
      at: Joi.number().integer().min(0).required(),
      instead: Joi.string().trim().min(1).max(MOST_INSTEAD_LETTERS),
    }),
  )
  .max(MOST_LINES);

const only = (kinds: string, then: Joi.Schema) =>
  Joi.when('kind', { is: kinds, then, otherwise: Joi.forbidden() });

const ACT = Joi.object<BagAct>({
  kind: Joi.valid('take', 'tick', 'leave', 'close', 'check').required(),
  blockId: id(),
  makerId: id(),
  isOver: only('take', Joi.boolean()),
  ticks: only('tick', TICKS.required()),
});

export const GET = projectRoute('read', async (_request, { project }) => listPacking(database(), project));

/** One thing done with a bag at the packing table. */
export const POST = projectRoute('pack', async (request, access) =>
  actOnBag(database(), access, parse(ACT, await readJson(request))),
);
