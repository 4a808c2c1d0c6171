import Joi from 'joi';
import { LIMITS } from '@/core/formats';
import { renameCloth } from '@/server/cloths';
import { database } from '@/server/database';
import { readJson, requireAccount, route } from '@/server/http';
import { parse } from '@/server/parse';

const BODY = Joi.object<{ from: string; to: string }>({
  from: Joi.string().max(200).required(),
  to: Joi.string().trim().min(1).max(LIMITS.fabric).required().label('name'),
});

export const PATCH = route(async (request, { project = '' }) => {
  const change = parse(BODY, await readJson(request));
  await renameCloth(database(), await requireAccount(), project, change);
});
