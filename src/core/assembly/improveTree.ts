import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { exactTree, type Apart } from './exactTree';
import { joinedLast, type Tree } from './tree';
import { TreeWays } from './treeWays';

/** Units of one window that are ordered anew: more for small blocks, where there is time. */
const WINDOWS: readonly { readonly upTo: number; readonly units: number; readonly passes: number }[] = [
  { upTo: 60, units: 10, passes: 4 },
  { upTo: 150, units: 8, passes: 2 },
  { upTo: 1500, units: 7, passes: 1 },
];

/**
 * Makes an order better bit by bit: looks at a unit and the few units that it is made from, weighs every order of
 * joining those, and takes the best; from the smallest units up to the whole, again while that helps. Never worse:
 * first bends, then threads begun. Large plans are left as they are.
 * @param apart units that are not to be joined to each other
 * @param goOn called after each unit; throws to stop
 * @param costs remembers what joins cost, for several orders of one group
 * Cost: one exact plan of 7 to 11 units for each join and pass.
 */
export function improveTree(
  graph: SeamGraph,
  tree: Tree,
  apart: readonly Apart[] = [],
  goOn: () => void = () => undefined,
  costs = new TreeWays(graph),
): Tree {
  // A flat drawing has fewer than three seams a patch: with more it is a tangle, and each look takes longer.
  const size = Math.max(tree.members.length, graph.seams.length - 2 * graph.patches.length);
  const window = WINDOWS.find(({ upTo }) => size <= upTo);
  if (!window) return tree;
  const task: Task = {
    graph,
    units: window.units,
    apart,
    costs,
    settled: new WeakSet(),
    goOn,
  };
  let best = tree;
  for (let pass = 0; pass < window.passes; pass++) {
    const before = costs.costOf(best);
    best = improveOnce(task, best);
    if (costs.costOf(best) >= before) break;
  }
  return best;
}

interface Task {
  readonly graph: SeamGraph;
  readonly units: number;
  readonly apart: readonly Apart[];
  readonly costs: TreeWays;
  /** Units that were looked at and left as they are. */
  readonly settled: WeakSet<Tree>;
  readonly goOn: () => void;
}

function improveOnce(task: Task, tree: Tree): Tree {
  if (!tree.parts || task.settled.has(tree)) return tree;
  const { graph, costs, apart } = task;
  task.goOn();
  const [a, b] = tree.parts.map((part) => improveOnce(task, part)) as [Tree, Tree];
  const isSame = a === tree.parts[0] && b === tree.parts[1];
  const own = isSame ? tree : tree.lastPart === 0 ? joinedLast(b, a) : joinedLast(a, b);
  const front = frontOf(own, task.units);
  const limit = costs.costOf(own) - 1e-6;
  const other = front.length < 3 ? undefined : exactTree(graph, front, apart, costs, limit);
  if (other && costs.costOf(other) < limit) return other;
  task.settled.add(own);
  return own;
}

/** The units that a unit is made from, the largest taken apart first, until there are as many as wanted. */
export function frontOf(tree: Tree, count: number): readonly Tree[] {
  const front = [tree];
  while (front.length < count) {
    let largest = -1;
    front.forEach(({ parts, members }, i) => {
      if (parts && (largest < 0 || members.length > itemAt(front, largest).members.length)) largest = i;
    });
    if (largest < 0) break;
    front.splice(largest, 1, ...(itemAt(front, largest).parts as readonly [Tree, Tree]));
  }
  return front;
}
