import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { STRAIGHT_DEG } from '../geometry';
import { farPlace, turnAt } from './interface';
import { addSubsets, unitsHolding } from './unitSet';

/**
 * For each set of units the bends that every order of making it costs in the joins between them: corners within the seams that
 * are sewn, and one at each inner intersection that it closes where no two of the seams still to be sewn lie in one line.
 * What a set of units is due holds for the joins that make it; what two parts of it are due as well is counted in both.
 * @param placeOf the unit of each patch
 * @param seams the seams between different units
 */
export function bendsDue(
  graph: SeamGraph,
  placeOf: ReadonlyMap<number, number>,
  seams: readonly number[],
  count: number,
): Int32Array {
  const due = new Int32Array(2 ** count);
  const crossing = new Map<number, number[]>();
  for (const seam of seams) {
    const { patches, innerBends, start, end } = itemAt(graph.seams, seam);
    const both = unitsHolding(patches, placeOf);
    if (both !== undefined) due[both] = itemAt(due, both) + innerBends.length;
    for (const { place } of [start, end]) crossing.set(place, [...(crossing.get(place) ?? []), seam]);
  }
  for (const [place, arms] of crossing) {
    if (!graph.isInner[place] || !bendsForSure(graph, place, arms)) continue;
    const around = unitsHolding(
      itemAt(graph.seamsAt, place).flatMap((seam) => itemAt(graph.seams, seam).patches),
      placeOf,
    );
    if (around !== undefined) due[around] = itemAt(due, around) + 1;
  }
  // Each set is due what its subsets are.
  addSubsets(due);
  return due;
}

/** Whether a thread that passes along any two of these seams turns. */
function bendsForSure(graph: SeamGraph, place: number, arms: readonly number[]): boolean {
  // A seam that comes back to its own start meets itself there.
  if (arms.length < 2 || arms.some((seam) => farPlace(itemAt(graph.seams, seam), place) === place))
    return false;
  return arms.every((a, i) => arms.slice(i + 1).every((b) => turnAt(graph, place, a, b) > STRAIGHT_DEG));
}
