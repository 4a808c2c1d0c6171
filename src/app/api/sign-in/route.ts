import Joi from 'joi';
import { signIn } from '@/server/accounts';
import { database } from '@/server/database';
import { addressOf, readJson, route, setSessionCookie } from '@/server/http';
import { email, parse } from '@/server/parse';

const BODY = Joi.object<{ email: string; password: string }>({
  email: email(),
  password: Joi.string().max(200).required(),
});

export const POST = route(async (request) => {
  const body = parse(BODY, await readJson(request));
  await setSessionCookie(await signIn(database(), body.email, body.password, addressOf(request)));
});
