import { itemAt, knownOf } from '../lists';
import type { SeamGraph } from '../block';
import { joinedLast, leaf, type Tree } from './tree';
import { allOf, eachUnit, isIn, lowestIn, pairKey, setOf, unitOf, without, type UnitSet } from './unitSet';
import { START_COST, TreeWays, unevenCost, type JoinCost } from './treeWays';

/** Groups of up to this many patches are planned by weighing every order. */
export const EXACT_PATCHES = 14;

/** Seams are numbered in two words of this many bits. */
const WORD_BITS = 26;

/** Two units that are not to be joined to each other. */
export type Apart = readonly [readonly number[], readonly number[]];

/** A way of making a unit that leaves the needle at one place. */
interface Way {
  readonly cost: number;
  /** Where the thread of its last join ends; −1 for a single unit, which has none. */
  readonly end: number;
  /** The part that is made last, as a set, and the way in which it is made; the other part is made in its cheapest way. */
  readonly last: UnitSet;
  readonly lastWay: Way | undefined;
}

/**
 * Finds the best order of joining a connected group by weighing every one: dynamic programming over its connected
 * subsets, as in optimal join ordering (after Moerkotte and Neumann, 2006), kept apart by where the needle ends. No order
 * has fewer bends, and of those with as few none begins fewer threads (needlefuls that run out are not counted here).
 * Orders that sew more than two runs in one join count only where nothing else works.
 * @param members at most 14 patches, or units already made, connected
 * @param apart units that are not to be joined to each other
 * @param costs remembers what units cost that are already made
 * @returns undefined when the group is too large, has more than 52 seams between its members, or no order is left
 * Cost: at most 3ⁿ ÷ 2 splits; planar groups have far fewer that hang together on both sides.
 */
export function exactTree(
  graph: SeamGraph,
  members: readonly (number | Tree)[],
  apart: readonly Apart[] = [],
  costs = new TreeWays(graph),
): Tree | undefined {
  const count = members.length;
  if (count > EXACT_PATCHES) return undefined;
  const units = members.map((one) => (typeof one === 'number' ? leaf(one) : one));
  const place = new Map(units.flatMap(({ members: own }, i) => own.map((patch) => [patch, i] as const)));
  const seams = seamsAcross(graph, place);
  if (seams.length > 2 * WORD_BITS) return undefined;
  const { neighbours, low, high } = incidence(graph, seams, place, count);
  const all = allOf(count);
  const connected = connectedSets(neighbours, all);
  const joinOf = joinCosts(costs, seams, rims(low, all), rims(high, all));
  const refused = refusedSplits(units, place, apart);
  const sizes = sums(units.map((unit) => unit.members.length));
  const savingOf = savings(costs, place);
  /** Offers the join with the thread of the part made last, whatever way that is made. */
  const carryOn = (
    found: Ways,
    made: readonly Way[],
    join: { cost: number; start: number; end: number; part: UnitSet },
  ) => {
    const { start, end, part } = join;
    for (const way of made) {
      const cost = join.cost + way.cost;
      // The ways come cheapest first: none of the rest can win either.
      if (!found.couldTake(cost - START_COST, end)) return;
      const saving = way.end < 0 ? 0 : savingOf(way.end, start, part);
      if (saving > 0) found.offer(cost - saving, end, part, way);
    }
  };
  const ways: (readonly Way[])[] = [];
  for (let set = 1; set <= all; set++) {
    if (!connected[set]) continue;
    const lowest = lowestIn(set);
    if (set === lowest) {
      const unit = itemAt(units, unitOf(set));
      ways[set] = costs.of(unit).map(({ cost, end }) => ({ cost, end, last: 0, lastWay: undefined }));
      continue;
    }
    const found = new Ways();
    // One part holds the lowest unit, so that each split is looked at once.
    const others = without(set, lowest);
    for (let more: UnitSet = others; more > 0;) {
      // The next smaller subset of the others.
      more = (more - 1) & others;
      const part = lowest | more;
      const rest = without(set, part);
      if (!connected[part] || !connected[rest]) continue;
      const [own, other] = [itemAt(ways, part), itemAt(ways, rest)];
      if (!own[0] || !other[0] || refused.has(pairKey(part, rest, EXACT_PATCHES))) continue;
      const below = own[0].cost + other[0].cost;
      if (!found.couldTake(below)) continue;
      const join = joinOf(part, rest);
      const cost = below + join.cost + unevenCost(itemAt(sizes, part), itemAt(sizes, rest));
      if (!found.couldTake(cost - START_COST)) continue;
      for (const [start, end] of join.ends) {
        found.offer(cost, end, itemAt(sizes, part) > 1 && sizes[rest] === 1 ? part : rest, undefined);
        carryOn(found, own, { cost: cost - own[0].cost, start, end, part });
        carryOn(found, other, { cost: cost - other[0].cost, start, end, part: rest });
      }
    }
    ways[set] = found.list();
  }
  const best = ways[all]?.[0];
  return best && treeOf(all, best, ways, units);
}

/** Ways of making one unit that can still pay: at most the saving of one thread dearer than the cheapest. */
class Ways {
  private readonly byEnd = new Map<number, Way>();
  private least = Infinity;

  /** Whether a way of that cost could still pay; with an end: whether it could be the cheapest that ends there. */
  couldTake(cost: number, end?: number): boolean {
    return (
      cost < this.least + START_COST && (end === undefined || cost < (this.byEnd.get(end)?.cost ?? Infinity))
    );
  }

  offer(cost: number, end: number, last: number, lastWay: Way | undefined): void {
    if (!this.couldTake(cost) || cost >= (this.byEnd.get(end)?.cost ?? Infinity)) return;
    this.byEnd.set(end, { cost, end, last, lastWay });
    this.least = Math.min(this.least, cost);
  }

  /** The cheapest first. */
  list(): Way[] {
    return [...this.byEnd.values()]
      .filter(({ cost }) => this.couldTake(cost))
      .sort((a, b) => a.cost - b.cost);
  }
}

/** What is saved where the thread of the part made last goes on: all of it where the next join begins there, less by slides within that part. */
function savings(costs: TreeWays, place: ReadonlyMap<number, number>) {
  const known = new Map<number, readonly { readonly needs: UnitSet; readonly saving: number }[]>();
  return (end: number, start: number, part: UnitSet): number => {
    if (end === start) return START_COST;
    if (end < 0) return 0;
    const key = end * MOST_PLACES + start;
    let own = known.get(key);
    if (!own) {
      own = costs.slidesOf(end, start).flatMap(({ patches, saving }) => {
        const units = patches.map((patch) => place.get(patch));
        if (units.includes(undefined)) return [];
        return [{ needs: units.reduce<number>((set, unit) => set | setOf(unit as number), 0), saving }];
      });
      known.set(key, own);
    }
    for (const { needs, saving } of own) if ((needs & part) === needs) return saving;
    return 0;
  };
}

/** Places are fewer than this. */
const MOST_PLACES = 2 ** 26;

/** Seams between different units. */
function seamsAcross(graph: SeamGraph, place: ReadonlyMap<number, number>): number[] {
  const seams: number[] = [];
  for (const patch of place.keys()) {
    for (const seam of graph.seamsOf[patch] ?? []) {
      const [a, b] = itemAt(graph.seams, seam).patches;
      const [p, q] = [place.get(a), place.get(b)];
      if (a === patch && p !== undefined && q !== undefined && p !== q) seams.push(seam);
    }
  }
  return seams;
}

/** What joining two sets costs, worked out once for each set of seams between them. */
function joinCosts(costs: TreeWays, seams: readonly number[], rimLow: Int32Array, rimHigh: Int32Array) {
  const known = new Map<number, JoinCost>();
  return (a: number, b: number): JoinCost => {
    const low = itemAt(rimLow, a) & itemAt(rimLow, b);
    const high = itemAt(rimHigh, a) & itemAt(rimHigh, b);
    const key = pairKey(low, high, WORD_BITS);
    const before = known.get(key);
    if (before) return before;
    const between = seams.filter((_, i) => (i < WORD_BITS ? isIn(low, i) : isIn(high, i - WORD_BITS)));
    const join = costs.joinOf(between);
    known.set(key, join);
    return join;
  };
}

/** Splits that are refused, as the two sets in one number; only those whose units are made of whole members. */
function refusedSplits(
  units: readonly Tree[],
  place: ReadonlyMap<number, number>,
  apart: readonly Apart[],
): ReadonlySet<number> {
  const asSet = (patches: readonly number[]): number | undefined => {
    let set = 0;
    for (const patch of patches) {
      const unit = place.get(patch);
      if (unit === undefined) return undefined;
      set |= setOf(unit);
    }
    const size = units.reduce((sum, unit, i) => sum + (isIn(set, i) ? unit.members.length : 0), 0);
    return size === patches.length ? set : undefined;
  };
  const refused = new Set<number>();
  for (const [left, right] of apart) {
    const [a, b] = [asSet(left), asSet(right)];
    if (a === undefined || b === undefined) continue;
    refused.add(pairKey(a, b, EXACT_PATCHES)).add(pairKey(b, a, EXACT_PATCHES));
  }
  return refused;
}

function incidence(
  graph: SeamGraph,
  seams: readonly number[],
  place: ReadonlyMap<number, number>,
  count: number,
) {
  const neighbours = new Int32Array(count);
  const [low, high] = [new Int32Array(count), new Int32Array(count)];
  seams.forEach((seam, i) => {
    const [a, b] = itemAt(graph.seams, seam).patches.map((patch) => knownOf(place, patch)) as [
      number,
      number,
    ];
    neighbours[a] = itemAt(neighbours, a) | setOf(b);
    neighbours[b] = itemAt(neighbours, b) | setOf(a);
    const word = i < WORD_BITS ? low : high;
    for (const end of [a, b]) word[end] = itemAt(word, end) ^ setOf(i % WORD_BITS);
  });
  return { neighbours, low, high };
}

/** For each set of units the seams that lead out of it: those within it cancel out. */
function rims(own: Int32Array, all: number): Int32Array {
  const rim = new Int32Array(all + 1);
  for (let set = 1; set <= all; set++) {
    const lowest = lowestIn(set);
    rim[set] = itemAt(rim, without(set, lowest)) ^ itemAt(own, unitOf(lowest));
  }
  return rim;
}

function connectedSets(neighbours: Int32Array, all: number): Uint8Array {
  const connected = new Uint8Array(all + 1);
  for (let set = 1; set <= all; set++) {
    let reached = lowestIn(set);
    for (let grown = 0; grown !== reached;) {
      grown = reached;
      eachUnit(grown, (unit) => (reached |= itemAt(neighbours, unit) & set));
    }
    connected[set] = reached === set ? 1 : 0;
  }
  return connected;
}

/** For each set the sum of its units' numbers. */
function sums(values: readonly number[]): Int32Array {
  const all = new Int32Array(2 ** values.length);
  for (let set = 1; set < all.length; set++) {
    const lowest = lowestIn(set);
    all[set] = itemAt(all, without(set, lowest)) + itemAt(values, unitOf(lowest));
  }
  return all;
}

function treeOf(set: number, way: Way, ways: readonly (readonly Way[])[], units: readonly Tree[]): Tree {
  if (way.last === 0) return itemAt(units, unitOf(set));
  const cheapest = (part: number) => ways[part]?.[0] as Way;
  const rest = without(set, way.last);
  const last = treeOf(way.last, way.lastWay ?? cheapest(way.last), ways, units);
  const first = treeOf(rest, cheapest(rest), ways, units);
  return joinedLast(first, last);
}
