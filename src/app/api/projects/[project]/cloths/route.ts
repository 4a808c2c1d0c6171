import Joi from 'joi';
import { LIMITS } from '@/core/formats';
import { renameCloth } from '@/server/cloth';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';

const BODY = Joi.object<{ from: string; to: string }>({
  from: Joi.string().max(200).required(),
  to: Joi.string().trim().min(1).max(LIMITS.fabric).required().label('name'),
});

export const PATCH = projectRoute('edit', async (request, access) => {
  const change = parse(BODY, await readJson(request));
  await renameCloth(database(), access, change);
});
