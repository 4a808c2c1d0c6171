import Joi from 'joi';
import { resetPassword, byLink } from '@/server/accounts';
import { addressOf } from '@/server/peer';
import { database } from '@/server/database';
import { readJson, route } from '@/server/http';
import { parse, password } from '@/server/parse';

const BODY = Joi.object<{ token: string; password: string }>({
  token: Joi.string().max(100).required(),
  password: password(),
});

export const POST = route(async (request) => {
  const body = parse(BODY, await readJson(request));
  const reset = () => resetPassword(database(), body.token, body.password);
  await byLink(database(), addressOf(request.headers), reset);
});
