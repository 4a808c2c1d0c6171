import Joi from 'joi';
import { openSession, byLink } from '@/server/accounts';
import { addressOf } from '@/server/peer';
import { database } from '@/server/database';
import { notSignedIn } from '@/server/errors';
import { currentAccount, readJson, route, setSessionCookie } from '@/server/http';
import { email, name, parse, password } from '@/server/parse';
import { acceptInvitation } from '@/server/projects';

interface Body {
  readonly token: string;
  readonly account?: { readonly email: string; readonly name: string; readonly password: string };
}
const BODY = Joi.object<Body>({
  token: Joi.string().max(100).required(),
  account: Joi.object({ email: email(), name: name(), password: password() }),
});

export const POST = route(async (request) => {
  const { token, account: fresh } = parse(BODY, await readJson(request));
  const who = fresh ?? (await currentAccount());
  if (!who) throw notSignedIn();
  const accept = () => acceptInvitation(database(), token, who);
  const { account, projectId } = await byLink(database(), addressOf(request.headers), accept);
  if (fresh)
    await setSessionCookie(
      await openSession(database(), account.id, request.headers.get('user-agent') ?? ''),
    );
  return { projectId };
});
