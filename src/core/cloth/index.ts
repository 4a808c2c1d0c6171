export { findViolations, sayRule, type ClothViolation } from './rules';
export { neighboursOf, ringsFrom, twoTurns } from './order';
export {
  WEAVE_COUNT,
  isColour,
  lookByNumber,
  lookOfColour,
  nameCloths,
  nameOfColour,
  type ClothLook,
} from './looks';
