import Joi from 'joi';
import { renewFeed } from '@/server/calendar';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { publicAddress } from '@/server/makers';
import { id, parse } from '@/server/parse';

const BODY = Joi.object<{ group?: string }>({ group: id().optional() });

/** A new secret address for the calendar, or for one group’s; shown this once. */
export const POST = projectRoute('edit', async (request, access) => {
  const { group } = parse(BODY, await readJson(request));
  return { address: publicAddress(request, `/api/feed/${await renewFeed(database(), access, group)}`) };
});
