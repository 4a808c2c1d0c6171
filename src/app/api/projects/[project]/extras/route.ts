import Joi from 'joi';
import { extrasSchema, saveExtras, type KeptExtras } from '@/server/bags';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';

const BODY = Joi.object<KeptExtras>({
  extras: extrasSchema.required(),
  revision: Joi.number().integer().required(),
});

export const PUT = projectRoute('edit', async (request, access) =>
  saveExtras(database(), access, parse(BODY, await readJson(request))),
);
