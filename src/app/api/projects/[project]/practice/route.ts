import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { id, parse } from '@/server/parse';
import { countClassPractice, type PracticeAnswer } from '@/server/practice';

const BODY = Joi.object<PracticeAnswer>({
  blockId: id(),
  question: Joi.string().max(300).required(),
  isRight: Joi.boolean().required(),
});

export const POST = projectRoute('pack', async (request, access) => {
  await countClassPractice(database(), access, [parse(BODY, await readJson(request))]);
  return {};
});
