import { itemAt } from '../lists';
import { keptFor, type SeamGraph } from '../block';
import { evenHalves, hasNoLines } from './evenHalves';
import { findCut } from './findCut';
import { joinTrees, leaf, type Tree } from './tree';

/** Units up to this size are cut with care even where no cut costs a bend; of a block of more patches than that only the smallest. */
const [SMALL_UNIT, SMALLEST] = [300, 20];

/** How units of a graph are cut: each once, however many orders ask. */
export const cutOf = keptFor((graph: SeamGraph) => {
  const isFree = hasNoLines(graph);
  const careful = graph.patches.length > 2 * SMALL_UNIT ? SMALLEST : SMALL_UNIT;
  return keptFor(
    (members: readonly number[]) =>
      (isFree && members.length > careful ? evenHalves(graph, members) : undefined) ??
      findCut(graph, members),
  );
}); // prettier-ignore

/** The order that comes of cutting a group where that costs least, and its parts again, down to single patches. */
export function cutTree(graph: SeamGraph, members: readonly number[], goOn: () => void): Tree {
  if (members.length === 1) {
    goOn();
    return leaf(itemAt(members, 0));
  }
  const groups = cutOf(graph)(members);
  return joinTrees(
    graph,
    groups.map((group) => cutTree(graph, group, goOn)),
  );
}
