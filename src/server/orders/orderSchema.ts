import Joi from 'joi';
import {
  CURRENCY_CODE,
  CUT_LIMITS_MM,
  MOST_OWN_CUTS,
  MOST_PAPER_PACKS,
  NOTION_LIMITS,
  ORDER_LIMITS,
  TOP_PARTS,
  USUAL_ORDER,
  type OrderPlan,
} from '@/core/order';

type Limited = { readonly least: number; readonly most: number; readonly isWhole?: boolean };
const figure = ({ least, most, isWhole }: Limited) => {
  const number = Joi.number().min(least).max(most).required();
  return isWhole ? number.integer() : number;
};
const words = (most: number) => Joi.string().trim().min(1).max(most).required();
const { amount, pack, price, letters, count } = NOTION_LIMITS;

/** Names of cloths and papers are as long as their blocks say. */
const KEY_LETTERS = 260;
const NAME_LETTERS = 200;
const MOST_KEYS = 2000;
/** No paper is sewn with more often. */
const MOST_USES = 50;
const MOST_STOCK = 10_000_000;
const SUPPLIER_LETTERS = 120;

const byKey = (value: Joi.Schema) =>
  Joi.object().pattern(Joi.string().max(KEY_LETTERS), value).max(MOST_KEYS).required();

const notion = Joi.object({
  what: words(letters).label('name'),
  amount: figure(amount).label('amount'),
  per: Joi.valid('maker', 'metre').required(),
  unit: words(letters).label('unit'),
  pack: figure(pack).label('pack'),
  price: figure(price).label('price'),
});

const givenCut = Joi.object({
  blockId: Joi.string().max(60).required(),
  fabric: words(NAME_LETTERS),
  name: words(NAME_LETTERS),
  widthMm: figure(CUT_LIMITS_MM),
  lengthMm: figure(CUT_LIMITS_MM),
});

/** What the host decided about buying, as it is sent. */
export const orderSchema = Joi.object<OrderPlan>({
  currency: Joi.string()
    .allow('')
    .pattern(CURRENCY_CODE)
    .label('currency')
    .messages({
      'string.pattern.base': '{{#label}} must be the code of a currency, three capitals such as EUR.',
    })
    .default(''),
  figures: Joi.object(
    Object.fromEntries(
      Object.entries(ORDER_LIMITS).map(([name, limits]) => [
        name,
        figure(limits)
          .optional()
          .default(USUAL_ORDER.figures[name as keyof typeof ORDER_LIMITS]),
      ]),
    ),
  ).required(),
  notions: Joi.array()
    .items(notion)
    .max(count)
    .unique('what')
    .required()
    .messages({ 'array.unique': 'Two notions have the same name. Give one of them another.' }),
  paperPacks: Joi.array()
    .items(Joi.object({ pack: figure(ORDER_LIMITS.papersInPack), price: figure(ORDER_LIMITS.packPrice) }))
    .max(MOST_PAPER_PACKS)
    .default([]),
  topCloths: Joi.object(
    Object.fromEntries(TOP_PARTS.map((part) => [part, Joi.string().max(NAME_LETTERS)])),
  ).required(),
  givenCuts: Joi.array()
    .items(givenCut)
    .max(MOST_KEYS)
    .unique(
      (a: OrderPlan['givenCuts'][number], b: OrderPlan['givenCuts'][number]) =>
        a.blockId === b.blockId && a.fabric === b.fabric,
    ) // prettier-ignore
    .required(),
  ownCuts: Joi.array()
    .items(
      Joi.object({
        name: words(NAME_LETTERS).label('name'),
        widthMm: figure(CUT_LIMITS_MM),
        lengthMm: figure(CUT_LIMITS_MM),
      }),
    )
    .max(MOST_OWN_CUTS)
    .unique('name')
    .default([]),
  stock: byKey(Joi.number().min(0).max(MOST_STOCK).label('stock')),
  worn: Joi.object()
    .pattern(
      Joi.string().max(KEY_LETTERS),
      Joi.array().items(Joi.number().integer().min(0).max(MOST_STOCK)).max(MOST_USES),
    )
    .max(MOST_KEYS)
    .default({}),
  stockAt: byKey(Joi.number().integer().min(0)),
  suppliers: byKey(Joi.string().allow('').max(SUPPLIER_LETTERS).label('supplier')),
});
