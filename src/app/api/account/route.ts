import Joi from 'joi';
import { changePassword, deleteAccount, endSessions } from '@/server/accounts';
import { database } from '@/server/database';
import { readJson, requireAccount, route, sessionToken, setSessionCookie } from '@/server/http';
import { id, parse, password } from '@/server/parse';

type Change = { old: string; next: string } | { session: string };
const CHANGE = Joi.alternatives<Change>(
  Joi.object({ old: Joi.string().max(200).required(), next: password() }),
  Joi.object({ session: Joi.alternatives(id(), Joi.valid('others')).required() }),
);
const DELETE = Joi.object<{ password: string }>({ password: Joi.string().max(200).required() });

export const PATCH = route(async (request) => {
  const account = await requireAccount();
  const change = parse<Change>(CHANGE, await readJson(request));
  const session = await sessionToken();
  if ('next' in change) return changePassword(database(), account, { ...change, session });
  const which = change.session === 'others' ? { allBut: session } : { id: change.session };
  return endSessions(database(), account, which);
});

/** Deletes the account. */
export const POST = route(async (request) => {
  const account = await requireAccount();
  await deleteAccount(database(), account, parse(DELETE, await readJson(request)).password);
  await setSessionCookie(undefined);
});
