import Joi from 'joi';
import { database } from '@/server/database';
import { readJson, requireAccount, route } from '@/server/http';
import { parse } from '@/server/parse';
import { saveSetting } from '@/server/setting';

const BODY = Joi.object<{ setting: unknown; revision: number }>({
  setting: Joi.object().unknown().required(),
  revision: Joi.number().integer().required(),
});

export const PUT = route(async (request, { project = '' }) => {
  const account = await requireAccount();
  return saveSetting(database(), account, project, parse(BODY, await readJson(request)));
});
