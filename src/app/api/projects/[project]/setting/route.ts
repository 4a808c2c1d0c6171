import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';
import { saveSetting } from '@/server/projects';

const BODY = Joi.object<{ setting: unknown; revision: number }>({
  setting: Joi.object().unknown().required(),
  revision: Joi.number().integer().required(),
});

export const PUT = projectRoute('edit', async (request, access) => {
  return saveSetting(database(), access, parse(BODY, await readJson(request)));
});
