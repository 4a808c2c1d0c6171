import { itemAt } from '../lists';
import { type SeamGraph } from '../block';
import { chainsOf } from './interface';

/** A unit and, unless it is one patch, the two units that it is joined from; the larger comes first. */
export interface Tree {
  readonly members: readonly number[];
  readonly parts?: readonly [Tree, Tree];
  /** Which of the two parts is made last, so that its thread may carry on; the smaller one where nothing is said. */
  readonly lastPart?: 0 | 1;
}

/** The tree of one patch. */
export function leaf(patch: number): Tree {
  return { members: [patch] };
}

/** The unit that two units make. */
export function joined(a: Tree, b: Tree): Tree {
  const parts = (b.members.length > a.members.length ? [b, a] : [a, b]) as [Tree, Tree];
  return { members: [...parts[0].members, ...parts[1].members], parts };
}

/** The unit that two units make when `last` is the one made last. */
export function joinedLast(first: Tree, last: Tree): Tree {
  const tree = joined(first, last);
  return tree.parts?.[0] === last ? { ...tree, lastPart: 0 } : tree;
}

/** All seams between two units, in order. */
export function seamsBetween(graph: SeamGraph, left: readonly number[], right: readonly number[]): number[] {
  const [few, many] = left.length < right.length ? [left, new Set(right)] : [right, new Set(left)];
  const seams = new Set<number>();
  for (const patch of few) {
    for (const seam of itemAt(graph.seamsOf, patch)) {
      const [a, b] = itemAt(graph.seams, seam).patches;
      if (many.has(a === patch ? b : a)) seams.add(seam);
    }
  }
  return [...seams].sort((a, b) => a - b);
}

/** Runs and bends that joining two units costs, as one number; Infinity when they share no seam. */
export function joinCost(graph: SeamGraph, left: readonly number[], right: readonly number[]): number {
  const chains = chainsOf(graph, seamsBetween(graph, left, right));
  if (chains.length === 0) return Infinity;
  return chains.length * 1000 + chains.reduce((sum, { bends }) => sum + bends.length, 0);
}

/** Puts units together one by one, each time the neighbour that costs the fewest runs and bends. */
export function joinTrees(graph: SeamGraph, trees: readonly Tree[]): Tree {
  const waiting = [...trees].sort((a, b) => b.members.length - a.members.length);
  let whole = waiting.shift() as Tree;
  while (waiting.length > 0) {
    const costs = waiting.map((tree) => joinCost(graph, whole.members, tree.members));
    const best = costs.indexOf(Math.min(...costs));
    const [next] = waiting.splice(best, 1) as [Tree];
    whole = joined(whole, next);
  }
  return whole;
}

/** Adds units one after another in their order; one that does not touch yet waits until it does. */
export function joinInOrder(graph: SeamGraph, trees: readonly Tree[]): Tree {
  const waiting = [...trees];
  let whole = waiting.shift() as Tree;
  while (waiting.length > 0) {
    const next = waiting.findIndex(({ members }) => joinCost(graph, whole.members, members) < Infinity);
    const [tree] = waiting.splice(Math.max(0, next), 1) as [Tree];
    whole = joined(whole, tree);
  }
  return whole;
}
