import Joi from 'joi';
import { createFirstAccount, openSession } from '@/server/accounts';
import { database } from '@/server/database';
import { readJson, route, setSessionCookie } from '@/server/http';
import { email, name, parse, password } from '@/server/parse';

const BODY = Joi.object<{ email: string; name: string; password: string }>({
  email: email(),
  name: name(),
  password: password(),
});

export const POST = route(async (request) => {
  const body = parse(BODY, await readJson(request));
  const account = await createFirstAccount(database(), body.email, body.name, body.password);
  await setSessionCookie(await openSession(database(), account.id));
});
