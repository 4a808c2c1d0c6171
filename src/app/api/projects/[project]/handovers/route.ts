import Joi from 'joi';
import { handOver, listHandovers, takeHandoverBack, type NewHandover } from '@/server/bags';
import { database } from '@/server/database';
import { projectRoute, queryOf, readJson } from '@/server/http';
import { id, parse } from '@/server/parse';

const NEW = Joi.object<NewHandover>({
  id: id(),
  makerId: id(),
  how: Joi.valid('counter', 'post').required(),
  tracking: Joi.string().trim().allow('').max(120).required(),
  packets: Joi.number().integer().min(1).max(99).required(),
  grams: Joi.number().greater(0).max(100_000).required().allow(null),
  blocks: Joi.array().items(id()).unique().min(1).max(400).required(),
});
const QUERY = Joi.object<{ find: string }>({ find: Joi.string().allow('').max(120).default('') });
const BACK = Joi.object<{ id: string }>({ id: id() });

export const GET = projectRoute('read', async (request, { project }) =>
  listHandovers(database(), project, parse(QUERY, queryOf(request)).find.trim()),
);

export const POST = projectRoute('pack', async (request, access) =>
  handOver(database(), access, parse(NEW, await readJson(request))),
);

export const PATCH = projectRoute('pack', async (request, access) =>
  takeHandoverBack(database(), access, parse(BACK, await readJson(request)).id),
);
