import Joi from 'joi';
import type { Recipe } from '@/core/generate';
import { renameBlock, setBlockRemoved } from '@/server/blocks';
import { remakeBlock } from '@/server/blockDocuments';
import { database } from '@/server/database';
import { readJson, requireAccount, route } from '@/server/http';
import { id, name, parse } from '@/server/parse';
import { recipeSchema } from '@/server/recipeSchema';

type Body = { name: string; before: string } | { recipe: Recipe; revision: number } | { isRemoved: boolean };

const BODY = Joi.alternatives<Body>().try(
  Joi.object({ name: name(), before: name() }),
  Joi.object({ recipe: recipeSchema, revision: Joi.number().integer().required() }),
  Joi.object({ isRemoved: Joi.boolean().required() }),
);

export const PATCH = route(async (request, { project = '', block = '' }) => {
  const account = await requireAccount();
  parse(id(), block);
  const body = parse<Body>(BODY, await readJson(request));
  if ('isRemoved' in body) await setBlockRemoved(database(), account, project, block, body.isRemoved);
  else if ('recipe' in body) await remakeBlock(database(), account, project, block, body);
  else await renameBlock(database(), account, project, block, body);
});
