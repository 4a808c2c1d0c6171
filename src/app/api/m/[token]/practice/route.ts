import Joi from 'joi';
import { byLink } from '@/server/accounts';
import { database } from '@/server/database';
import { readJson, route } from '@/server/http';
import { id, parse } from '@/server/parse';
import { addressOf } from '@/server/peer';
import { countPractice, type PracticeAnswer } from '@/server/practice';

const BODY = Joi.object<{ answers: PracticeAnswer[] }>({
  answers: Joi.array()
    .items(
      Joi.object({
        blockId: id(),
        question: Joi.string().max(300).required(),
        isRight: Joi.boolean().required(),
      }),
    )
    .min(1)
    .max(100)
    .required(),
});

export const POST = route(async (request, { token = '' }) => {
  const { answers } = parse(BODY, await readJson(request));
  await byLink(database(), addressOf(request.headers), () => countPractice(database(), token, answers));
  return {};
});
