import Joi from 'joi';
import { PAPER_MARKS, type ChosenMark } from '@/core/shapes';
import type { Outline } from '@/core/geometry';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { chooseMark } from '@/server/blocks';
import { parse } from '@/server/parse';

const NUMBER = Joi.number().min(-50_000).max(50_000).required();
const BODY = Joi.object<{ outline: Outline; mark: ChosenMark['mark'] | 'proposed' }>({
  outline: Joi.object({
    corners: Joi.array()
      .items(Joi.object({ x: NUMBER, y: NUMBER }))
      .min(2)
      .max(2000)
      .required(),
    bulges: Joi.array().items(NUMBER).length(Joi.ref('corners.length')).required(),
  }).required(),
  mark: Joi.valid('proposed', 'none', ...PAPER_MARKS).required(),
});

export const PATCH = projectRoute('edit', async (request, access) => {
  await chooseMark(database(), access, parse(BODY, await readJson(request)));
});
