import { itemAt, knownOf } from '../lists';
import type { SeamGraph } from '../block';
import { bendsDue } from './bendsDue';
import { joinedLast, leaf, type Tree } from './tree';
import {
  allOf,
  connectedSets,
  isIn,
  lowestIn,
  pairKey,
  rimsOf,
  setOf,
  sumsOf,
  unitOf,
  unitsHolding,
  without,
  type UnitSet,
} from './unitSet';
import { BEND_COST, START_COST, TreeWays, unevenCost, type JoinCost } from './treeWays';
import { NONE, WayTable, WaysFound } from './waysFound';

/** Groups of up to this many patches are planned by weighing every order. */
export const EXACT_PATCHES = 14;

/** Seams are numbered in two words of this many bits. */
const WORD_BITS = 26;

/** Two units that are not to be joined to each other. */
export type Apart = readonly [readonly number[], readonly number[]];

/**
 * Finds the best order of joining a connected group by weighing every one: dynamic programming over its connected
 * subsets, as in optimal join ordering (after Moerkotte and Neumann, 2006), kept apart by where the needle ends. No order
 * has fewer bends, and of those with as few none begins fewer threads (needlefuls that run out are not counted here).
 * Orders that sew more than two runs in one join count only where nothing else works.
 * @param members at most 14 patches, or units already made, connected
 * @param apart units that are not to be joined to each other
 * @param costs remembers what units cost that are already made
 * @param limit only an order that costs less is wanted: parts that cannot lead to one are left out, and nothing else is found
 * @returns undefined when the group is too large, has more than 52 seams between its members, or no order is left
 * Cost: at most 3ⁿ ÷ 2 splits; planar groups have far fewer that hang together on both sides.
 */
export function exactTree(
  graph: SeamGraph,
  members: readonly (number | Tree)[],
  apart: readonly Apart[] = [],
  costs = new TreeWays(graph),
  limit = Infinity,
): Tree | undefined {
  const count = members.length;
  if (count > EXACT_PATCHES) return undefined;
  const units = members.map((one) => (typeof one === 'number' ? leaf(one) : one));
  const place = new Map(units.flatMap(({ members: own }, i) => own.map((patch) => [patch, i] as const)));
  const seams = seamsAcross(graph, place);
  if (seams.length > 2 * WORD_BITS) return undefined;
  const { neighbours, low, high } = incidence(graph, seams, place, count);
  const all = allOf(count);
  const connected = connectedSets(neighbours);
  const numbers = placesOf(graph, seams, units, costs);
  const numberOf = new Map(numbers.map((one, number) => [one, number]));
  const joinOf = joinCosts(costs, numberOf, seams, rimsOf(low), rimsOf(high));
  const refused = refusedSplits(units, place, apart);
  const sizes = sumsOf(units.map((unit) => unit.members.length));
  const savingOf = savings(costs, place, numbers);
  const due = bendsDue(graph, place, seams, count);
  const made = sumsOf(units.map((unit) => costs.costOf(unit)));
  /** The least that everything costs beside two parts: units that are in neither, and bends that no join within them pays. */
  const beside = (part: UnitSet, rest: UnitSet) =>
    (made[all] ?? 0) - (made[part | rest] ?? 0) + BEND_COST * ((due[all] ?? 0) - (due[part] ?? 0) - (due[rest] ?? 0)); // prettier-ignore
  const ways = new WayTable(count);
  const found = new WaysFound(numbers.length);
  /** Offers the join with the thread of the part made last, whatever way that is made. */
  const carryOn = (part: UnitSet, withoutPart: number, start: number, end: number) => {
    const first = ways.first[part] ?? 0;
    for (let way = first; way < first + (ways.count[part] ?? 0); way++) {
      const cost = withoutPart + (ways.cost[way] ?? 0);
      // The ways come cheapest first: none of the rest can win either.
      if (!found.couldEnd(cost - START_COST, end)) return;
      const saving = savingOf(ways.end[way] ?? NONE, start, part);
      if (saving > 0) found.offer(cost - saving, end, part, way);
    }
  };
  for (let set = 1; set <= all; set++) {
    if (!connected[set]) continue;
    const lowest = lowestIn(set);
    if (set === lowest) {
      for (const { cost, end } of costs.of(itemAt(units, unitOf(set))))
        ways.add(set, cost, numberOf.get(end) ?? NONE, 0, NONE);
      continue;
    }
    found.clear();
    // One part holds the lowest unit, so that each split is looked at once.
    const others = without(set, lowest);
    for (let more: UnitSet = others; more > 0;) {
      // The next smaller subset of the others.
      more = (more - 1) & others;
      const part = lowest | more;
      const rest = without(set, part);
      if (!ways.count[part] || !ways.count[rest]) continue;
      if (refused.size > 0 && refused.has(pairKey(part, rest, EXACT_PATCHES))) continue;
      const own = ways.cost[ways.first[part] ?? 0] ?? 0;
      const other = ways.cost[ways.first[rest] ?? 0] ?? 0;
      const below = own + other;
      // At best the join costs the bends that it is due.
      if (!found.couldTake(below + BEND_COST * ((due[set] ?? 0) - (due[part] ?? 0) - (due[rest] ?? 0)))) continue; // prettier-ignore
      if (below + beside(part, rest) >= limit) continue;
      const join = joinOf(part, rest);
      const cost = below + join.cost + unevenCost(sizes[part] ?? 1, sizes[rest] ?? 1);
      if (!found.couldTake(cost - START_COST)) continue;
      const last = (sizes[part] ?? 1) > 1 && sizes[rest] === 1 ? part : rest;
      for (const { 0: start, 1: end } of join.ends) {
        found.offer(cost, end, last, NONE);
        carryOn(part, cost - own, start, end);
        carryOn(rest, cost - other, start, end);
      }
    }
    found.moveTo(ways, set, limit - beside(set, 0));
  }
  return ways.count[all] ? treeOf(all, itemAt(ways.first, all), ways, units) : undefined;
}

/** What is saved where the thread of the part made last goes on: all of it where the next join begins there, less by slides within that part. */
function savings(costs: TreeWays, place: ReadonlyMap<number, number>, numbers: readonly number[]) {
  const count = numbers.length;
  const known = new Array<readonly Saving[] | undefined>(count * count).fill(undefined);
  const savingsOf = (end: number, start: number): readonly Saving[] => {
    const all = costs.slidesOf(itemAt(numbers, end), itemAt(numbers, start));
    if (all.length === 0) return NO_SAVINGS;
    const own: Saving[] = [];
    for (const { patches, saving } of all) {
      const needs = unitsHolding(patches, place);
      if (needs !== undefined) own.push({ needs, saving });
    }
    return own;
  };
  return (end: number, start: number, part: UnitSet): number => {
    if (end < 0) return 0;
    if (end === start) return START_COST;
    const own = (known[end * count + start] ??= savingsOf(end, start));
    for (let i = 0; i < own.length; i++) {
      const { needs, saving } = own[i] as Saving;
      if ((needs & part) === needs) return saving;
    }
    return 0;
  };
}

/** What a slide saves where these units are in the part. */
interface Saving {
  readonly needs: UnitSet;
  readonly saving: number;
}

const NO_SAVINGS: readonly Saving[] = [];

/** Places where a thread may begin or end: few, so that they are told by small numbers of their own. */
function placesOf(
  graph: SeamGraph,
  seams: readonly number[],
  units: readonly Tree[],
  costs: TreeWays,
): number[] {
  const places = new Set<number>();
  for (const seam of seams) {
    const { start, end } = itemAt(graph.seams, seam);
    places.add(start.place).add(end.place);
  }
  for (const unit of units) for (const { end } of costs.of(unit)) if (end >= 0) places.add(end);
  return [...places];
}

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

/** What joining two sets costs, worked out once for each set of seams between them; its ends by their numbers. */
function joinCosts(
  costs: TreeWays,
  numberOf: ReadonlyMap<number, number>,
  seams: readonly number[],
  rimLow: Int32Array,
  rimHigh: Int32Array,
) {
  // By the seams of either word: small whole numbers are found much faster than large ones.
  const known = new Map<number, Map<number, JoinCost>>();
  return (a: UnitSet, b: UnitSet): JoinCost => {
    const low = (rimLow[a] ?? 0) & (rimLow[b] ?? 0);
    const high = (rimHigh[a] ?? 0) & (rimHigh[b] ?? 0);
    let ofHigh = known.get(high);
    if (!ofHigh) known.set(high, (ofHigh = new Map<number, JoinCost>()));
    const before = ofHigh.get(low);
    if (before) return before;
    const between = seams.filter((_, i) => (i < WORD_BITS ? isIn(low, i) : isIn(high, i - WORD_BITS)));
    const { cost, ends } = costs.joinOf(between);
    const join = { cost, ends: ends.map(([start, end]) => [numberOf.get(start) ?? NONE, numberOf.get(end) ?? NONE] as const) }; // prettier-ignore
    ofHigh.set(low, join);
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
    const set = unitsHolding(patches, place);
    if (set === undefined) return undefined;
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

function treeOf(set: UnitSet, way: number, ways: WayTable, units: readonly Tree[]): Tree {
  const part = itemAt(ways.last, way);
  if (part === 0) return itemAt(units, unitOf(set));
  const cheapest = (one: UnitSet) => itemAt(ways.first, one);
  const lastWay = itemAt(ways.lastWay, way);
  const rest = without(set, part);
  const last = treeOf(part, lastWay === NONE ? cheapest(part) : lastWay, ways, units);
  return joinedLast(treeOf(rest, cheapest(rest), ways, units), last);
}
