import Joi from 'joi';
import { PIECE_LIMITS, SHELF_LIMITS } from '@/core/cloth';
import type { ShelvedCloth } from './shelf';

const figure = (name: keyof typeof SHELF_LIMITS) =>
  Joi.number().min(SHELF_LIMITS[name].least).max(SHELF_LIMITS[name].most).required();

const side = Joi.number().min(PIECE_LIMITS.least).max(PIECE_LIMITS.most).required().label('piece');

/** A cloth of the shelf as it is sent. */
export const shelfSchema = Joi.object<ShelvedCloth>({
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
  pieces: Joi.array()
    .items(Joi.object({ widthMm: side, lengthMm: side }))
    .max(PIECE_LIMITS.count)
    .default([]),
  frays: Joi.boolean().default(false),
  // The server notes itself when stock was counted.
  stockAt: Joi.any().strip(),
  pictureAt: Joi.number(),
});
