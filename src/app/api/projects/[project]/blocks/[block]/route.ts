import Joi from 'joi';
import type { Recipe } from '@/core/generate';
import { renameBlock, setBlockRemoved, recipeSchema } from '@/server/blocks';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { id, name, parse } from '@/server/parse';
import { remakeBlockTold, type Told } from '@/server/versions';

type Body =
  { name: string; before: string } | ({ recipe: Recipe; revision: number } & Told) | { isRemoved: boolean };

const BODY = Joi.alternatives<Body>().try(
  Joi.object({ name: name(), before: name() }),
  Joi.object({
    recipe: recipeSchema,
    revision: Joi.number().integer().required(),
    mayTouch: Joi.array().items(id()).max(2000),
  }),
  Joi.object({ isRemoved: Joi.boolean().required() }),
);

export const PATCH = projectRoute('edit', async (request, access, { block = '' }) => {
  const body = parse<Body>(BODY, await readJson(request));
  if ('isRemoved' in body) await setBlockRemoved(database(), access, block, body.isRemoved);
  else if ('recipe' in body) await remakeBlockTold(database(), access, block, body);
  else await renameBlock(database(), access, block, body);
});
