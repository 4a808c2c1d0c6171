import { itemAt } from '../lists';
import { keptFor, type SeamGraph } from '../block';
import { centroidOf, middleOfBox, orderRound, type Point } from '../geometry';

/** Middle of a patch, mm: where it would balance, so that two halves of a square have middles of their own. */
export function middle(graph: SeamGraph, patch: number): Point {
  return itemAt(middlesOf(graph), patch);
}

const middlesOf = keptFor(({ patches, isOfUnits }: SeamGraph) =>
  // What stands for a unit has no outline that encloses anything.
  patches.map(({ outline }) => (isOfUnits ? middleOfBox(outline) : centroidOf(outline))),
);

/** Middle of the box round patches, mm. */
export function middleOfAll(graph: SeamGraph, members: readonly number[]): Point {
  const corners = members.flatMap((patch) => graph.patches[patch]?.outline.corners ?? []);
  return middleOfBox({ corners, bulges: corners.map(() => 0) });
}

/** Mean of the middles of patches, mm. */
export function balanceOf(graph: SeamGraph, members: readonly number[]): Point {
  const mean = (of: (point: Point) => number) =>
    members.reduce((sum, patch) => sum + of(middle(graph, patch)), 0) / members.length;
  return { x: mean(({ x }) => x), y: mean(({ y }) => y) };
}

/** Patches in the order in which their middles come round a centre. */
export function goingRound(graph: SeamGraph, centre: Point, patches: readonly number[]): number[] {
  return orderRound(patches, centre, (patch) => middle(graph, patch));
}
