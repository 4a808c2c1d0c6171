/** What is bought for all bags of a project, what it costs, and what is asked for it. Money is a number of the shop's own. */
export {
  ORDER_LIMITS,
  USUAL_ORDER,
  marginOf,
  oneMaker,
  orderOf,
  priceOf,
  type NamedShelf,
  type Order,
  type OrderFigures,
  type OrderedBlock,
  type PaperNeed,
  type TopCut,
} from './order';
