export { findViolations, sayRule, type ClothViolation } from './rules';
export { neighboursOf, ringsFrom, twoTurns } from './order';
export {
  WEAVE_COUNT,
  isColour,
  lookByNumber,
  looksOfNew,
  lookOfColour,
  nameCloths,
  nameOfColour,
  type ClothLook,
} from './looks';
export {
  SHELF_LIMITS,
  USUAL_CLOTH,
  clothNeed,
  soldBy,
  usableWidth,
  type ClothNeed,
  type CutLine,
  type ShelfCloth,
} from './shelf';
