import Joi from 'joi';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { listKits, setKitStatus, setKitStatuses, type KitWish } from '@/server/bags';
import { id, parse } from '@/server/parse';

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

export const GET = projectRoute('read', async (_request, access) => listKits(database(), access.project));

export const PUT = projectRoute('pack', async (request, access) => {
  const body = parse<KitWish | { bags: KitWish[] }>(BODY, await readJson(request));
  return 'bags' in body
    ? setKitStatuses(database(), access, body.bags)
    : setKitStatus(database(), access, body);
});
