import Joi from 'joi';
import { LIMITS } from '@/core/formats';
import { SHELF_LIMITS } from '@/core/cloth';
import { renameCloth, setShelf, setShelves, type ShelvedCloth } from '@/server/cloth';
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

const figure = (name: keyof typeof SHELF_LIMITS) =>
  Joi.number().min(SHELF_LIMITS[name].least).max(SHELF_LIMITS[name].most).required();

const SHELF = Joi.object<ShelvedCloth>({
  name: Joi.string().max(200).required(),
  revision: Joi.number().integer().min(0).required(),
  widthMm: figure('widthMm'),
  // Two selvedges leave something to cut.
  selvedgeMm: figure('selvedgeMm')
    .less(Joi.ref('widthMm', { adjust: (width: number) => width / 2 }))
    .label('selvedge')
    .messages({ 'number.less': 'Two selvedges as wide as this leave nothing of the cloth.' }),
  turns: Joi.string().valid('any', 'half', 'none').required(),
  stockMm: figure('stockMm').label('stock'),
  pricePerMetre: figure('pricePerMetre').label('price'),
  // Both or none.
  repeatWidthMm: figure('repeatWidthMm').label('repeat across'),
  repeatHeightMm: figure('repeatHeightMm')
    .label('repeat along')
    .when('repeatWidthMm', { is: Joi.number().greater(0), then: Joi.number().greater(0) }),
  isHalfDrop: Joi.boolean().required(),
  // The server notes itself when stock was counted.
  stockAt: Joi.any().strip(),
});

export const PUT = projectRoute('edit', async (request, access) =>
  setShelf(database(), access, parse(SHELF, await readJson(request))),
);

const SHELVES = Joi.object<{ cloths: ShelvedCloth[] }>({
  cloths: Joi.array().items(SHELF).min(1).max(2000).unique('name').required(),
});

/** Several cloths at once, all or none. */
export const POST = projectRoute('edit', async (request, access) =>
  setShelves(database(), access, parse(SHELVES, await readJson(request)).cloths),
);
