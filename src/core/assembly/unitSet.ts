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

/** The units that hold these patches; undefined where some are in none. */
export function unitsHolding(
  patches: Iterable<number>,
  place: ReadonlyMap<number, number>,
): UnitSet | undefined {
  let set = 0;
  for (const patch of patches) {
    const unit = place.get(patch);
    if (unit === undefined) return undefined;
    set |= setOf(unit);
  }
  return set;
}

/** Two sets in one number, for units up to that many; exact as a double up to 26 units. */
export function pairKey(a: UnitSet, b: UnitSet, units: number): number {
  return a + b * 2 ** units;
}

/** For each set of units the sum of what its units have. */
export function sumsOf(values: readonly number[]): Float64Array {
  const sums = new Float64Array(2 ** values.length);
  // Plain numbers throughout: these tables are made for every window of every order.
  for (let set = 1; set < sums.length; set++) {
    const lowest = set & -set;
    sums[set] = (sums[set ^ lowest] ?? 0) + (values[31 - Math.clz32(lowest)] ?? 0);
  }
  return sums;
}

/** For each set of units what only one of them has, of what each has as bits: what two have cancels out. */
export function rimsOf(own: Int32Array): Int32Array {
  const rims = new Int32Array(2 ** own.length);
  for (let set = 1; set < rims.length; set++) {
    const lowest = set & -set;
    rims[set] = (rims[set ^ lowest] ?? 0) ^ (own[31 - Math.clz32(lowest)] ?? 0);
  }
  return rims;
}

/** Adds to what each set has what all of its subsets have. */
export function addSubsets(values: Int32Array): void {
  for (let unit = 1; unit < values.length; unit *= 2)
    for (let set = unit; set < values.length; set = (set + 1) | unit)
      values[set] = (values[set] ?? 0) + (values[set ^ unit] ?? 0);
}

/**
 * Which sets of units hang together.
 * @param neighbours for each unit the set of those beside it
 */
export function connectedSets(neighbours: Int32Array): Uint8Array {
  const connected = new Uint8Array(2 ** neighbours.length);
  for (let set = 1; set < connected.length; set++) {
    let reached = set & -set;
    for (let edge = reached; edge !== 0;) {
      const lowest = edge & -edge;
      const beside = (neighbours[31 - Math.clz32(lowest)] ?? 0) & set & ~reached;
      reached |= beside;
      edge ^= lowest | beside;
    }
    connected[set] = reached === set ? 1 : 0;
  }
  return connected;
}
