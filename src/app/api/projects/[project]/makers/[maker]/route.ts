import Joi from 'joi';
import { CHOICE_LIMITS } from '@/core/bags';
import { database } from '@/server/database';
import { fileResponse, projectRoute, readJson } from '@/server/http';
import {
  changeLink,
  changeMaker,
  erasePerson,
  makerAddress,
  readPerson,
  setContact,
  setMakerRemoved,
  setSkip,
  type MakerChange,
} from '@/server/makers';
import { email, id, name, parse } from '@/server/parse';

interface Skip {
  readonly blockId: string;
  readonly isSkipped: boolean;
}
interface ContactBody {
  readonly email: string | null;
  readonly timeZone: string | null;
}
type Body =
  | { contact: ContactBody }
  | { link: 'renew' | 'revoke' }
  | { isRemoved: boolean }
  | { skip: Skip }
  | { change: MakerChange }
  | { isErased: true };

const BODY = Joi.alternatives<Body>().try(
  Joi.object({ link: Joi.string().valid('renew', 'revoke').required() }),
  Joi.object({
    contact: Joi.object({
      email: email().allow(null),
      timeZone: Joi.string().trim().max(60).required().allow(null),
    }).required(),
  }),
  Joi.object({ isRemoved: Joi.boolean().required() }),
  Joi.object({ isErased: Joi.boolean().valid(true).required() }),
  Joi.object({
    change: Joi.object({
      name: name().optional(),
      groupId: id().optional().allow(null),
      isPaused: Joi.boolean(),
      isUnderAge: Joi.boolean(),
      travels: Joi.boolean(),
      making: Joi.array().items(id()).max(400).unique(),
      isLeftHanded: Joi.boolean(),
      sets: Joi.number().integer().min(CHOICE_LIMITS.sets.least).max(CHOICE_LIMITS.sets.most),
      allowanceMm: Joi.number()
        .min(CHOICE_LIMITS.allowanceMm.least)
        .max(CHOICE_LIMITS.allowanceMm.most)
        .allow(null),
    }).required(),
  }),
  Joi.object({ skip: Joi.object({ blockId: id(), isSkipped: Joi.boolean().required() }).required() }),
);

export const PATCH = projectRoute('edit', async (request, access, { maker = '' }) => {
  const body = parse<Body>(BODY, await readJson(request));
  if ('isRemoved' in body) return setMakerRemoved(database(), access, maker, body.isRemoved);
  if ('isErased' in body) return erasePerson(database(), access, maker);
  if ('change' in body) return changeMaker(database(), access, maker, body.change);
  if ('contact' in body) return setContact(database(), access, maker, body.contact);
  if ('skip' in body) return setSkip(database(), access, maker, body.skip);
  const token = await changeLink(database(), access, maker, body.link);
  return { link: token === undefined ? null : makerAddress(request, token) };
});

/** All that is known of a maker, as a file to hand to them. */
export const GET = projectRoute('edit', async (_request, access, { maker = '' }) => {
  const known = await readPerson(database(), access, maker);
  return fileResponse(JSON.stringify(known, null, 2), 'application/json', `${known.person.name}.json`);
});
