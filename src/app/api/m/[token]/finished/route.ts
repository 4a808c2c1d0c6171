import Joi from 'joi';
import { byLink } from '@/server/accounts';
import { database } from '@/server/database';
import { readJson, route } from '@/server/http';
import { id, parse } from '@/server/parse';
import { addFinished, finishedFor, removeFinished } from '@/server/photos';
import { addressOf } from '@/server/peer';

/** A picture as the page makes it smaller, base64. */
const MOST_BYTES = 2_000_000;

type Body = { id: string; blockId: string; image: string } | { id: string; isRemoved: true };
const BODY = Joi.alternatives<Body>().try(
  Joi.object({ id: id(), blockId: id(), image: Joi.string().base64().max(MOST_BYTES).required() }),
  Joi.object({ id: id(), isRemoved: Joi.boolean().valid(true).required() }),
);

export const GET = route(async (request, { token = '' }) =>
  byLink(database(), addressOf(request.headers), () => finishedFor(database(), token)),
);

export const POST = route(async (request, { token = '' }) => {
  const body = parse<Body>(BODY, await readJson(request, MOST_BYTES + 1000));
  const sql = database();
  return byLink(sql, addressOf(request.headers), () =>
    'image' in body ? addFinished(sql, token, body) : removeFinished(sql, token, body.id),
  );
});
