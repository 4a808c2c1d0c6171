import Joi from 'joi';
import { database } from '@/server/database';
import { readJson, requireAccount, route } from '@/server/http';
import { publicAddress } from '@/server/makerAddress';
import { id, parse } from '@/server/parse';
import { invite, listPeople, revokeInvitation, setRole } from '@/server/people';
import type { Role } from '@/server/permissions';

const INVITE = Joi.object<{ role: Role; days: number }>({
  role: Joi.string().valid('host', 'helper').required(),
  days: Joi.number().integer().min(1).max(60).default(7),
});
type Change = { person: string; role: Role | 'gone' } | { invitation: string };
const CHANGE = Joi.alternatives<Change>(
  Joi.object({ person: id(), role: Joi.string().valid('host', 'helper', 'gone').required() }),
  Joi.object({ invitation: id() }),
);

export const GET = route(async (_request, { project = '' }) =>
  listPeople(database(), await requireAccount(), project),
);

export const POST = route(async (request, { project = '' }) => {
  const wish = parse(INVITE, await readJson(request));
  const token = await invite(database(), await requireAccount(), project, wish);
  return { address: publicAddress(request, `/join/${token}`) };
});

export const PATCH = route(async (request, { project = '' }) => {
  const account = await requireAccount();
  const change = parse<Change>(CHANGE, await readJson(request));
  if ('invitation' in change) await revokeInvitation(database(), account, project, change.invitation);
  else await setRole(database(), account, project, change.person, change.role);
});
