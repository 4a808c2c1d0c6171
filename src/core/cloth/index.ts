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
  LEAST_REPEAT_MM,
  PIECE_LIMITS,
  SHELF_LIMITS,
  USUAL_CLOTH,
  clothSizes,
  hasRepeat,
  readPieces,
  sayPieces,
  soldBy,
  usableWidth,
  worthOf,
  type CutLine,
  type ShelfCloth,
} from './shelf';
export { REPEAT_MM, weaveOf, type WeaveStroke } from './weaves';
export { isSeenRectangle, projection, straightened, type Part, type Pixels, type Quad } from './straighten';
