import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { countPapersIn } from '@/server/orders';
import { parse } from '@/server/parse';

/** Papers of one kind that are counted in at once. */
const MOST = 99_999;

const BODY = Joi.object<{ papers: Record<string, number>; sewn?: number }>({
  papers: Joi.object()
    .pattern(Joi.string().max(200), Joi.number().integer().min(-MOST).max(MOST))
    .min(1)
    .max(2000)
    .required(),
  /** How often they were sewn with. */
  sewn: Joi.number().integer().min(0).max(50),
});

/** Papers that were counted are put into the stock; less than none takes them out again. */
export const POST = projectRoute('pack', async (request, access) => {
  const { papers, sewn = 0 } = parse(BODY, await readJson(request));
  return countPapersIn(database(), access, papers, sewn);
});
