import Joi from 'joi';
import { MAX_DRAWING_BYTES } from '@/core/formats';
import type { Recipe } from '@/core/generate';
import { importBlock, makeBlock } from '@/server/blocks';
import { database } from '@/server/database';
import { readJson, requireAccount, route } from '@/server/http';
import { name, parse } from '@/server/parse';
import { recipeSchema } from '@/server/recipeSchema';

type Body = { name: string; svg: string; widthMm?: number } | { name: string; recipe: Recipe };

const DRAWING = Joi.object({
  name: name(),
  svg: Joi.string().max(MAX_DRAWING_BYTES).required().label('drawing'),
  widthMm: Joi.number().min(1).max(20_000).label('width'),
});
const MADE = Joi.object({ name: name(), recipe: recipeSchema });

export const POST = route(async (request, { project = '' }) => {
  const account = await requireAccount();
  // JSON escapes line ends and quotes: leave room for them.
  const input = await readJson(request, MAX_DRAWING_BYTES * 1.5);
  const isMade = typeof input === 'object' && input !== null && 'recipe' in input;
  const body = parse<Body>(isMade ? MADE : DRAWING, input);
  if ('recipe' in body) return makeBlock(database(), account, project, body);
  return importBlock(database(), account, project, body);
});
