import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { makerAddress, changeLink, setContact, setMakerRemoved, setSkip } from '@/server/makers';
import { email, id, parse } from '@/server/parse';

interface Skip {
  readonly blockId: string;
  readonly isSkipped: boolean;
}
interface ContactBody {
  readonly email: string | null;
  readonly timeZone: string | null;
}
type Body = { contact: ContactBody } | { link: 'renew' | 'revoke' } | { isRemoved: boolean } | { skip: Skip };

const BODY = Joi.alternatives<Body>().try(
  Joi.object({ link: Joi.string().valid('renew', 'revoke').required() }),
  Joi.object({
    contact: Joi.object({
      email: email().allow(null),
      timeZone: Joi.string().trim().max(60).required().allow(null),
    }).required(),
  }),
  Joi.object({ isRemoved: Joi.boolean().required() }),
  Joi.object({ skip: Joi.object({ blockId: id(), isSkipped: Joi.boolean().required() }).required() }),
);

export const PATCH = projectRoute('edit', async (request, access, { maker = '' }) => {
  const body = parse<Body>(BODY, await readJson(request));
  if ('isRemoved' in body) return setMakerRemoved(database(), access, maker, body.isRemoved);
  if ('contact' in body) return setContact(database(), access, maker, body.contact);
  if ('skip' in body) return setSkip(database(), access, maker, body.skip);
  const token = await changeLink(database(), access, maker, body.link);
  return { link: token === undefined ? null : makerAddress(request, token) };
});
