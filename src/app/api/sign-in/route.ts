import Joi from 'joi';
import { signIn } from '@/server/accounts';
import { addressOf } from '@/server/peer';
import { database } from '@/server/database';
import { knownDevice, readJson, route, setDeviceCookie, setSessionCookie } from '@/server/http';
import { email, parse } from '@/server/parse';

const BODY = Joi.object<{ email: string; password: string }>({
  email: email(),
  password: Joi.string().max(200).required(),
});

export const POST = route(async (request) => {
  const body = parse(BODY, await readJson(request));
  const { session, device } = await signIn(database(), body.email, body.password, {
    address: addressOf(request.headers),
    device: request.headers.get('user-agent') ?? '',
    knownDevice: await knownDevice(),
  });
  await setSessionCookie(session);
  await setDeviceCookie(device);
});
