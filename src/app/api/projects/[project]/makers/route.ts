import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { addMakers, makerAddress } from '@/server/makers';
import { name, parse } from '@/server/parse';

const BODY = Joi.object<{ names: string[] }>({ names: Joi.array().items(name()).min(1).max(200).required() });

export const POST = projectRoute('edit', async (request, access) => {
  const { names } = parse(BODY, await readJson(request));
  const added = await addMakers(database(), access, names);
  return added.map(({ id, name: own, token }) => ({ id, name: own, link: makerAddress(request, token) }));
});
