import Joi from 'joi';
import { database } from '@/server/database';
import { readJson, requireAccount, route } from '@/server/http';
import { listKits, setKitStatus, type KitStatus } from '@/server/kits';
import { id, parse } from '@/server/parse';
import { openProject } from '@/server/projects';

const BODY = Joi.object<{ blockId: string; makerId: string; status: KitStatus; revision: number }>({
  blockId: id(),
  makerId: id(),
  status: Joi.string().valid('to-pack', 'packed', 'handed-over').required(),
  revision: Joi.number().integer().min(0).required(),
});

export const GET = route(async (_request, { project = '' }) =>
  listKits(database(), await openProject(database(), await requireAccount(), project, 'read')),
);

export const PUT = route(async (request, { project = '' }) => {
  const account = await requireAccount();
  return setKitStatus(database(), account, project, parse(BODY, await readJson(request)));
});
