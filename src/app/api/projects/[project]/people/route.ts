import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { publicAddress } from '@/server/makers';
import { id, parse } from '@/server/parse';
import { invite, listPeople, revokeInvitation, setRole, type Role } from '@/server/projects';

const INVITE = Joi.object<{ role: Role; days: number }>({
  role: Joi.string().valid('host', 'helper').required(),
  days: Joi.number().integer().min(1).max(60).default(7),
});
type Change = { person: string; role: Role | 'gone' } | { invitation: string };
const CHANGE = Joi.alternatives<Change>(
  Joi.object({ person: id(), role: Joi.string().valid('host', 'helper', 'gone').required() }),
  Joi.object({ invitation: id() }),
);

export const GET = projectRoute('own', async (_request, access) => listPeople(database(), access));

export const POST = projectRoute('own', async (request, access) => {
  const wish = parse(INVITE, await readJson(request));
  const token = await invite(database(), access, wish);
  return { address: publicAddress(request, `/join/${token}`) };
});

export const PATCH = projectRoute('own', async (request, access) => {
  const change = parse<Change>(CHANGE, await readJson(request));
  if ('invitation' in change) await revokeInvitation(database(), access, change.invitation);
  else await setRole(database(), access, change.person, change.role);
});
