import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { makerAddress, changeLink, setMakerRemoved, setSkip } from '@/server/makers';
import { id, parse } from '@/server/parse';

interface Skip {
  readonly blockId: string;
  readonly isSkipped: boolean;
}
type Body = { link: 'renew' | 'revoke' } | { isRemoved: boolean } | { skip: Skip };

const BODY = Joi.alternatives<Body>().try(
  Joi.object({ link: Joi.string().valid('renew', 'revoke').required() }),
  Joi.object({ isRemoved: Joi.boolean().required() }),
  Joi.object({ skip: Joi.object({ blockId: id(), isSkipped: Joi.boolean().required() }).required() }),
);

export const PATCH = projectRoute('edit', async (request, access, { maker = '' }) => {
  const body = parse<Body>(BODY, await readJson(request));
  if ('isRemoved' in body) return setMakerRemoved(database(), access, maker, body.isRemoved);
  if ('skip' in body) return setSkip(database(), access, maker, body.skip);
  const token = await changeLink(database(), access, maker, body.link);
  return { link: token === undefined ? null : makerAddress(request, token) };
});
