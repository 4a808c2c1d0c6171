import Joi from 'joi';
import { TROUBLES } from '@/core/troubles';
import { byLink } from '@/server/accounts';
import { database } from '@/server/database';
import { readJson, route } from '@/server/http';
import { openLink } from '@/server/makers';
import { id, parse } from '@/server/parse';
import { addressOf } from '@/server/peer';
import { makerTroubles, sayWord, type MakersWord } from '@/server/troubles';

/** A picture as the page makes it smaller, base64, and what is said with it. */
const MOST_BYTES = 1_500_000;

const BODY = Joi.object<MakersWord>({
  id: id(),
  troubleId: id(),
  symptom: Joi.string().valid('', ...TROUBLES.map((one) => one.id)),
  text: Joi.string().trim().allow('').max(2000).required(),
  image: Joi.string().base64().max(MOST_BYTES),
});

export const GET = route(async (request, { token = '' }) => {
  const sql = database();
  return byLink(sql, addressOf(request.headers), async () => {
    const { maker } = await openLink(sql, token);
    return makerTroubles(sql, maker.id);
  });
});

export const POST = route(async (request, { token = '' }) => {
  const word = parse(BODY, await readJson(request, MOST_BYTES));
  return byLink(database(), addressOf(request.headers), () => sayWord(database(), token, word));
});
