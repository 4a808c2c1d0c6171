/** What is bought for all bags of a project, what it costs, and what is asked for it. Money is told in the currency of the order. */
export {
  lineKey,
  marginOf,
  oneMaker,
  orderOf,
  paperSizes,
  priceOf,
  type ClothBolt,
  type LineGroup,
  type NamedShelf,
  type Order,
  type OrderLine,
  type OrderWanted,
  type OrderedBlock,
  type TopCut,
} from './order';
export { CURRENCY_CODE, formatMoney, plainMoney, signOf } from './money';
export { cheapestPacks, costOf, type PackCount, type PackSize } from './packs';
export {
  CUT_LIMITS_MM,
  MOST_OWN_CUTS,
  MOST_PAPER_PACKS,
  NOTION_LIMITS,
  ORDER_LIMITS,
  USUAL_ORDER,
  usualOrder,
  type GivenCut,
  type Notion,
  type OrderFigures,
  type OrderPlan,
} from './plan';
export {
  changedSince,
  linesToPlace,
  onTheWay,
  type ChangedLine,
  type PlacedLine,
  type PlacedOrder,
} from './placed';
export { orderCalls, type OrderCalls } from './calls';
export { orderWithCloth } from './renamedCloth';
export { TOP_PARTS, topCuts } from './topCuts';
export { addWorn, sayWorn, wornThere, type WornPapers } from './wornPapers';
export { sayAmount, sayPacks, sayThing, sayToBuy, shownUnit } from './words';
