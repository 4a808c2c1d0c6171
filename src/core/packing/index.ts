/** Packing at the table: the code on a bag, the lines that go in, and what several hands say of one bag put together. */
export { bagCode, readBagCode, sayCode } from './bagCode';
export {
  MOST_COUNT,
  MOST_INSTEAD_LETTERS,
  bagState,
  mergeTicks,
  packingLines,
  sayStray,
  substitutions,
  type BagState,
  type PackingLine,
  type Substitution,
  type Tick,
  type Ticks,
} from './packingLines';
export {
  USUAL_CARD,
  USUAL_SCALE,
  WEIGHING_LIMITS,
  countOf,
  scaleReading,
  targetOf,
  weighBag,
  weighing,
  type Card,
  type Scale,
  type WeighedBag,
  type WeighedCount,
  type Weighing,
} from './weighing';
export {
  EXTRA_LIMITS,
  NO_EXTRAS,
  extraLines,
  placeOfBag,
  type BagExtra,
  type BagExtras,
  type BagGear,
  type BagPlace,
} from './bagExtras';
export {
  MOST_RECEIPTS,
  USUAL_BAGGING,
  bagAccount,
  outerBags,
  type BagAccountFacts,
  type Bagging,
  type BaggingChoices,
  type DropOfBlocks,
  type OuterBag,
} from './bagging';
