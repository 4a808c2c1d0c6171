import Joi from 'joi';
import { MAX_DRAWING_BYTES } from '@/core/formats';
import type { Recipe } from '@/core/generate';
import { MOST_REACH_MM } from '@/core/weld';
import { addDocument, importBlock, makeBlock, type DrawingInput, recipeSchema } from '@/server/blocks';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { name, parse } from '@/server/parse';

type Body = DrawingInput | { name: string; recipe: Recipe } | { name: string; document: unknown };

const DRAWING = Joi.object({
  name: name(),
  svg: Joi.string().max(MAX_DRAWING_BYTES).required().label('drawing'),
  widthMm: Joi.number().min(1).max(20_000).label('width'),
  weldMm: Joi.number().min(0).max(MOST_REACH_MM).label('reach'),
  isSnapped: Joi.boolean(),
});
const BUILT = Joi.object({ name: name(), document: Joi.object().unknown().required() });
const MADE = Joi.object({ name: name(), recipe: recipeSchema });

export const POST = projectRoute('edit', async (request, access) => {
  // JSON escapes line ends and quotes: leave room for them.
  const input = await readJson(request, MAX_DRAWING_BYTES * 1.5);
  const has = (field: string) => typeof input === 'object' && input !== null && field in input;
  const body = parse<Body>(has('recipe') ? MADE : has('document') ? BUILT : DRAWING, input);
  if ('document' in body) return addDocument(database(), access, body);
  if ('recipe' in body) return makeBlock(database(), access, body);
  return importBlock(database(), access, body, request.signal);
});
