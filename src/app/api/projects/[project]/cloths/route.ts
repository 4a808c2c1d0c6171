import Joi from 'joi';
import { LIMITS } from '@/core/formats';
import { renameCloth, setShelf, setShelves, shelfSchema, type ShelvedCloth } from '@/server/cloth';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { parse } from '@/server/parse';

const BODY = Joi.object<{ from: string; to: string }>({
  from: Joi.string().max(200).required(),
  to: Joi.string().trim().min(1).max(LIMITS.fabric).required().label('name'),
});

export const PATCH = projectRoute('edit', async (request, access) => {
  const change = parse(BODY, await readJson(request));
  await renameCloth(database(), access, change);
});

export const PUT = projectRoute('edit', async (request, access) =>
  setShelf(database(), access, parse(shelfSchema, await readJson(request))),
);

const SHELVES = Joi.object<{ cloths: ShelvedCloth[] }>({
  cloths: Joi.array().items(shelfSchema).min(1).max(2000).unique('name').required(),
});

/** Several cloths at once, all or none. */
export const POST = projectRoute('edit', async (request, access) =>
  setShelves(database(), access, parse(SHELVES, await readJson(request)).cloths),
);
