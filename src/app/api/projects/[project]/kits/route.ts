import Joi from 'joi';
import { database } from '@/server/database';
import { readJson, requireAccount, route } from '@/server/http';
import { listKits, setKitStatus, setKitStatuses, type KitWish } from '@/server/kits';
import { id, parse } from '@/server/parse';
import { openProject } from '@/server/projects';

/** Bags that are changed by one press at most. */
const MOST_BAGS = 2000;

const BAG = Joi.object<KitWish>({
  blockId: id(),
  makerId: id(),
  status: Joi.string().valid('to-pack', 'packed', 'handed-over').required(),
  revision: Joi.number().integer().min(0).required(),
});

const BODY = Joi.alternatives<KitWish | { bags: KitWish[] }>().try(
  BAG,
  Joi.object({ bags: Joi.array().items(BAG).min(1).max(MOST_BAGS).required() }),
);

export const GET = route(async (_request, { project = '' }) =>
  listKits(database(), await openProject(database(), await requireAccount(), project, 'read')),
);

export const PUT = route(async (request, { project = '' }) => {
  const account = await requireAccount();
  const body = parse<KitWish | { bags: KitWish[] }>(BODY, await readJson(request));
  return 'bags' in body
    ? setKitStatuses(database(), account, project, body.bags)
    : setKitStatus(database(), account, project, body);
});
