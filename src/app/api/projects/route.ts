import Joi from 'joi';
import { database, inTransaction } from '@/server/database';
import { readJson, requireAccount, route } from '@/server/http';
import { name, parse } from '@/server/parse';
import { createProject } from '@/server/projects';

const BODY = Joi.object<{ name: string; shop: string; unitSystem: 'inch' | 'metric' }>({
  name: name(),
  shop: Joi.string().trim().allow('').max(120).default(''),
  unitSystem: Joi.string().valid('inch', 'metric').required(),
});

export const POST = route(async (request) => {
  const account = await requireAccount();
  const body = parse(BODY, await readJson(request));
  const { project } = await inTransaction(database(), (sql) => createProject(sql, account, body));
  return project;
});
