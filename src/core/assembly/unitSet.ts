/** A set of at most 31 units in one number: unit i is in it when bit i is set. */
export type UnitSet = number;

/** The set of the first units, all of them. */
export function allOf(count: number): UnitSet {
  return 2 ** count - 1;
}

/** The set of one unit. */
export function setOf(unit: number): UnitSet {
  return 1 << unit;
}

export function isIn(set: UnitSet, unit: number): boolean {
  return ((set >> unit) & 1) === 1;
}

/** The set that holds only the lowest unit of a set; 0 for the empty one. */
export function lowestIn(set: UnitSet): UnitSet {
  return set & -set;
}

/** The unit of a set that holds one; of a larger set the highest. */
export function unitOf(single: UnitSet): number {
  return 31 - Math.clz32(single);
}

/** What is in one set and not in the other, where that is wholly within it. */
export function without(set: UnitSet, part: UnitSet): UnitSet {
  return set ^ part;
}

/** Calls back with each unit of a set, the lowest first. */
export function eachUnit(set: UnitSet, visit: (unit: number) => void): void {
  for (let rest = set; rest > 0; rest = without(rest, lowestIn(rest))) visit(unitOf(lowestIn(rest)));
}

/** Two sets in one number, for units up to that many; exact as a double up to 26 units. */
export function pairKey(a: UnitSet, b: UnitSet, units: number): number {
  return a + b * 2 ** units;
}
