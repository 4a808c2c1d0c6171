export { findViolations, sayRule, type ClothViolation } from './rules';
export { neighboursOf, ringsFrom, twoTurns } from './order';
