import Joi from 'joi';
import { byLink } from '@/server/accounts';
import { database } from '@/server/database';
import { readJson, route } from '@/server/http';
import { parse } from '@/server/parse';
import { addressOf } from '@/server/peer';
import { setWantsMail } from '@/server/reminders';

const BODY = Joi.object<{ wantsMail: boolean }>({ wantsMail: Joi.boolean().required() });

/** Whoever holds the link of a reminder switches reminders off, or on again. */
export const POST = route(async (request, { token = '' }) => {
  const { wantsMail } = parse(BODY, await readJson(request));
  const sql = database();
  await byLink(sql, addressOf(request.headers), () => setWantsMail(sql, token, wantsMail));
});
