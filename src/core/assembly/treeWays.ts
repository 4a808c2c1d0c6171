import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { chainsOf } from './interface';
import { seamsBetween, type Tree } from './tree';

/** What a join costs: bends come first, then threads begun, then evenness, which keeps the work small in the hand. */
const BEND_COST = 1e6;
export const START_COST = 1e3;
/** More than two runs in one join are refused unless nothing else works. */
const MANY_CHAINS_COST = 1e9;
const UNEVEN_COST = 0.5;

/** What one join costs by its seams alone, and where its thread may start and end. */
export interface JoinCost {
  readonly cost: number;
  readonly ends: readonly (readonly [number, number])[];
}

/** What sewing these seams in one join costs, each run with a thread of its own. */
function joinCostOf(graph: SeamGraph, seams: readonly number[]): JoinCost {
  const chains = chainsOf(graph, seams);
  const bends = chains.reduce((sum, chain) => sum + chain.bends.length, 0);
  const many = chains.length > 2 ? chains.length * MANY_CHAINS_COST : 0;
  const [from, to] = [chains[0]?.startPlace ?? -1, chains.at(-1)?.endPlace ?? -1];
  return {
    cost: bends * BEND_COST + chains.length * START_COST + many,
    ends: [[from, to], [to, from]], // prettier-ignore
  };
}

/** What joining units of so many patches costs by their difference alone. */
export function unevenCost(a: number, b: number): number {
  return (UNEVEN_COST * Math.abs(a - b)) / (a + b);
}

/** What making a unit costs at least when its last thread ends at a place; −1 for a single patch, which has none. */
export interface UnitWay {
  readonly cost: number;
  readonly end: number;
}

const PATCH: readonly UnitWay[] = [{ cost: 0, end: -1 }];

/**
 * Costs of trees as they stand, by where the needle ends: each join either begins a thread or carries on where the part
 * made last ended. Remembers every tree it has seen, so that a change in one place costs little.
 */
export class TreeWays {
  private readonly known = new WeakMap<Tree, readonly UnitWay[]>();
  private readonly joins = new Map<string, JoinCost>();

  constructor(private readonly graph: SeamGraph) {}

  /** Ways of making a unit, the cheapest first. Iterative, since trees can be deep. */
  of(root: Tree): readonly UnitWay[] {
    const stack = [root];
    for (let tree = stack.at(-1); tree; tree = stack.at(-1)) {
      const missing = (tree.parts ?? []).filter((part) => part.parts && !this.known.has(part));
      if (missing.length > 0) {
        stack.push(...missing);
        continue;
      }
      stack.pop();
      if (!this.known.has(tree)) this.known.set(tree, this.waysOf(tree));
    }
    return this.known.get(root) as readonly UnitWay[];
  }

  /** What sewing these seams in one join costs; the same seams come again in many windows. */
  joinOf(seams: readonly number[]): JoinCost {
    const key = seams.join();
    let join = this.joins.get(key);
    if (!join) this.joins.set(key, (join = joinCostOf(this.graph, seams)));
    return join;
  }

  costOf(tree: Tree): number {
    return itemAt(this.of(tree), 0).cost;
  }

  private waysOf({ parts, lastPart = 1 }: Tree): readonly UnitWay[] {
    if (!parts) return PATCH;
    const [a, b] = parts;
    const join = this.joinOf(seamsBetween(this.graph, a.members, b.members));
    const isSmallLast = lastPart === 1 && b.parts !== undefined;
    const [last, first] = isSmallLast ? [this.ofPart(b), this.ofPart(a)] : [this.ofPart(a), this.ofPart(b)];
    const base = join.cost + unevenCost(a.members.length, b.members.length) + itemAt(first, 0).cost;
    return join.ends
      .map(([start, end]) => ({ cost: base + least(last, start), end }))
      .sort((p, q) => p.cost - q.cost);
  }

  private ofPart(tree: Tree): readonly UnitWay[] {
    return tree.parts ? (this.known.get(tree) as readonly UnitWay[]) : PATCH;
  }
}

/** Least cost of the unit made last when the next thread starts at a place: carried on where it ended there. */
function least(ways: readonly UnitWay[], start: number): number {
  return Math.min(...ways.map(({ cost, end }) => (end === start ? cost - START_COST : cost)));
}
