export { sewersOf } from './sewersOf';
export {
  BACKGROUND_MORE_MM,
  backgroundCut,
  bagContents,
  squareCut,
  squaresOf,
  type BagContents,
  type BagCut,
  type BagFabric,
  type BagPapers,
  type BagSettings,
} from './bagContents';
export { shareStock, type SharedStock, type WantingBag } from './shareStock';
export {
  packedBlocks,
  pickList,
  type ClothLine,
  type PackedBlock,
  type PickLine,
  type PickList,
} from './pickList';
export { inOwnOrder } from './inOwnOrder';
export {
  innerBags,
  sayInnerLine,
  type InnerBag,
  type InnerBags,
  type InnerLine,
  type InnerSources,
} from './innerBags';
export { pickStops, shareStops, type PickStop } from './pickWalk';
export { plainName, spareRule, type SpareRules } from './spareRules';
export {
  CHOICE_LIMITS,
  USUAL_CHOICE,
  alikeBags,
  ownBag,
  ownInner,
  ownMark,
  sayChoice,
  topsOf,
  type AlikeBags,
  type BagChoice,
} from './ownBag';
