import type { SeamGraph } from '../block';
import { joinCost, type Tree } from './tree';

/** Bends and runs of all joins of a tree; both are Infinity where some join has no seam to sew. */
export function treeCost(graph: SeamGraph, tree: Tree): { bends: number; runs: number } {
  let [bends, runs] = [0, 0];
  const stack = [tree];
  for (let one = stack.pop(); one; one = stack.pop()) {
    if (!one.parts) continue;
    const [a, b] = one.parts;
    const own = joinCost(graph, a.members, b.members);
    if (own === Infinity) return { bends: Infinity, runs: Infinity };
    bends += own % 1000;
    runs += Math.floor(own / 1000);
    stack.push(a, b);
  }
  return { bends, runs };
}

/** The same as one number: a bend weighs a minute, a run three quarters of one for its thread. */
export function weightOf(graph: SeamGraph, tree: Tree): number {
  const { bends, runs } = treeCost(graph, tree);
  return bends + runs * 0.75;
}
