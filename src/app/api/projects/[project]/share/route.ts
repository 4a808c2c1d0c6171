import Joi from 'joi';
import { packFromStock } from '@/server/bags';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';

/** Kinds of paper that can be counted, and how many of each. */
const [MOST_KINDS, MOST_COUNT] = [2000, 1_000_000];

const BODY = Joi.object<{ stock: Record<string, number> }>({
  stock: Joi.object()
    .pattern(Joi.string().max(300), Joi.number().integer().min(0).max(MOST_COUNT))
    .max(MOST_KINDS)
    .required(),
});

/** Which bags can be packed from some papers. Nothing is changed by it. */
export const POST = projectRoute('pack', async (request, { project }) => {
  const { stock } = parse(BODY, await readJson(request));
  return packFromStock(database(), project, stock);
});
