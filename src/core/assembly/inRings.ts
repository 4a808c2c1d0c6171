import type { SeamGraph } from '../block';
import { ringsTree } from './ringsTree';
import { joined, joinedLast, type Tree } from './tree';
import { treeCost } from './treeCost';

/**
 * The same order with its units of up to so many patches made patch by patch instead, round their middles, where that costs
 * no bend and no run more: on one growing piece the thread goes on from patch to patch through the folds.
 */
export function inRings(graph: SeamGraph, tree: Tree, most: number): Tree {
  const { members, parts, lastPart } = tree;
  if (!parts || members.length < 3) return tree;
  if (members.length <= most) {
    const rings = ringsTree(graph, members);
    const [own, other] = [treeCost(graph, tree), treeCost(graph, rings)];
    if (other.bends <= own.bends && other.runs <= own.runs) return rings;
  }
  const [a, b] = [inRings(graph, parts[0], most), inRings(graph, parts[1], most)];
  return lastPart === 0 ? joinedLast(b, a) : joined(a, b);
}
