import Joi from 'joi';
import { writePasswordLetter } from '@/server/accounts';
import { database } from '@/server/database';
import { notFound } from '@/server/errors';
import { readJson, route } from '@/server/http';
import { publicAddress } from '@/server/makers';
import { email, parse } from '@/server/parse';

const BODY = Joi.object<{ email: string }>({ email: email() });

export const POST = route(async (request) => {
  const token = await writePasswordLetter(database(), parse(BODY, await readJson(request)).email);
  if (!token) throw notFound('An account of this e-mail address');
  return { address: publicAddress(request, `/reset/${token}`) };
});
