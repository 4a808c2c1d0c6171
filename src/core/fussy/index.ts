/** Fussy cutting: papers round the same point of a printed repeat, as many whole sets as the cloth holds. */
export { laidInBlock, outwardTurn } from './laidInBlock';
export { findSets, type Anchor, type AnchorSets, type FoundSets } from './findSets';
export { MOST_PLACES, placesOf, type FussyCloth, type Repeat } from './places';
export {
  outlineAbout,
  pushed,
  referencePoints,
  wheelOf,
  type Motif,
  type ReferencePoint,
  type Wheel,
} from './motif';
