import Joi from 'joi';
import { LIMITS } from '@/core/formats';
import {
  renameCloth,
  setShelf,
  setShelves,
  shelfSchema,
  splitCloth,
  substituteCloth,
  takeClothChangeBack,
  type MakersCloth,
  type ShelvedCloth,
} from '@/server/cloth';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { id, parse } from '@/server/parse';

interface Names {
  readonly from: string;
  readonly to: string;
}
type Body =
  | (Names & { mayMerge?: boolean })
  | { split: Names & { blocks: string[] } }
  | { instead: readonly MakersCloth[] }
  | { takeBack: string };

const from = Joi.string().max(200).required();
const to = Joi.string().trim().min(1).max(LIMITS.fabric).required().label('name');

const BODY = Joi.alternatives<Body>().try(
  Joi.object({ from, to, mayMerge: Joi.boolean() }),
  Joi.object({ split: Joi.object({ from, to, blocks: Joi.array().items(id()).min(1).max(400).required() }).required() }),
  Joi.object({
    instead: Joi.array().items(Joi.object({ makerId: id(), from, to: to.allow(null) })).min(1).max(4000).required(),
  }),
  Joi.object({ takeBack: id() }),
); // prettier-ignore

/** Cloths that are renamed or put together, split, had in place of others by some makers; and any of it taken back. */
export const PATCH = projectRoute('edit', async (request, access) => {
  const body = parse<Body>(BODY, await readJson(request));
  if ('takeBack' in body) return takeClothChangeBack(database(), access, body.takeBack);
  if ('split' in body) return splitCloth(database(), access, body.split);
  if ('instead' in body) return substituteCloth(database(), access, body.instead);
  return renameCloth(database(), access, body);
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
