import Joi from 'joi';
import { database } from '@/server/database';
import { readJson, requireAccount, route } from '@/server/http';
import { addMakers } from '@/server/makers';
import { name, parse } from '@/server/parse';
import { makerAddress } from '@/server/makerAddress';

const BODY = Joi.object<{ names: string[] }>({ names: Joi.array().items(name()).min(1).max(200).required() });

export const POST = route(async (request, { project = '' }) => {
  const account = await requireAccount();
  const { names } = parse(BODY, await readJson(request));
  const added = await addMakers(database(), account, project, names);
  return added.map(({ id, name: own, token }) => ({ id, name: own, link: makerAddress(request, token) }));
});
