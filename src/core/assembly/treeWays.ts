import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { chainsOf } from './interface';
import { waysToSlide } from './slides';
import { seamsBetween, type Tree } from './tree';

/** What a join costs: bends come first, then threads begun, then evenness, which keeps the work small in the hand. */
export const BEND_COST = 1e6;
export const START_COST = 1e3;
/** A slide in place of a new thread: as 0.2 of a minute to three quarters of one. */
const SLIDE_COST = START_COST * (0.2 / 0.75);
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
  // By far the most joins have one seam.
  if (seams.length === 1) {
    const { start, end, innerBends } = itemAt(graph.seams, itemAt(seams, 0));
    return { cost: innerBends.length * BEND_COST + START_COST, ends: bothWays(start.place, end.place) };
  }
  const chains = chainsOf(graph, seams);
  const bends = chains.reduce((sum, chain) => sum + chain.bends.length, 0);
  const many = chains.length > 2 ? chains.length * MANY_CHAINS_COST : 0;
  const [from, to] = [chains[0]?.startPlace ?? -1, chains.at(-1)?.endPlace ?? -1];
  return {
    cost: bends * BEND_COST + chains.length * START_COST + many,
    ends: bothWays(from, to),
  };
}

function bothWays(from: number, to: number): JoinCost['ends'] {
  return [
    [from, to],
    [to, from],
  ];
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

/** A way of sliding: the patches through whose folds it leads, and what it saves against a new thread. */
export interface Sliding {
  readonly patches: readonly number[];
  readonly saving: number;
}

const NONE: readonly Sliding[] = [];

const PATCH: readonly UnitWay[] = [{ cost: 0, end: -1 }];

/**
 * Costs of trees as they stand, by where the needle ends: each join either begins a thread or carries on where the part
 * made last ended. Remembers every tree it has seen, so that a change in one place costs little.
 */
export class TreeWays {
  private readonly known = new WeakMap<Tree, readonly UnitWay[]>();
  private readonly joins = new Map<string, JoinCost>();
  private readonly slides = new Map<number, readonly Sliding[]>();

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

  /** Ways of sliding a thread from where it ended to where the next join begins, the most saving first. */
  slidesOf(end: number, start: number): readonly Sliding[] {
    if (end < 0) return NONE;
    const key = end * this.graph.places.length + start;
    let own = this.slides.get(key);
    if (!own) {
      const all = waysToSlide(this.graph, end, start);
      own =
        all.length === 0
          ? NONE
          : all
              .map((way) => ({
                patches: way.map(({ patch }) => patch),
                saving: START_COST - way.length * SLIDE_COST,
              }))
              .sort((a, b) => b.saving - a.saving);
      this.slides.set(key, own);
    }
    return own;
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
    const made = isSmallLast ? b : a;
    return join.ends
      .map(([start, end]) => ({ cost: base + this.least(last, start, made), end }))
      .sort((p, q) => p.cost - q.cost);
  }

  /** Least cost of the unit made last when the next thread starts at a place: carried on from where it ended, or slid there. */
  private least(ways: readonly UnitWay[], start: number, made: Tree): number {
    let best = Infinity;
    for (const { cost, end } of ways) {
      if (end === start) best = Math.min(best, cost - START_COST);
      else {
        const slide = this.slidesOf(end, start).find(({ patches }) => patches.every((patch) => made.members.includes(patch))); // prettier-ignore
        best = Math.min(best, cost - (slide?.saving ?? 0));
      }
    }
    return best;
  }

  private ofPart(tree: Tree): readonly UnitWay[] {
    return tree.parts ? (this.known.get(tree) as readonly UnitWay[]) : PATCH;
  }
}
