import type { SeamGraph } from '../block';
import { EQUAL_DIRECTION, directionRound, middleOfBox, steadyOrder, type Point } from '../geometry';

/** Middle of a patch, mm. */
export function middle(graph: SeamGraph, patch: number): Point {
  return middleOfBox((graph.patches[patch] as SeamGraph['patches'][number]).outline);
}

/** Middle of the box round patches, mm. */
export function middleOfAll(graph: SeamGraph, members: readonly number[]): Point {
  const corners = members.flatMap((patch) => graph.patches[patch]?.outline.corners ?? []);
  return middleOfBox({ corners, bulges: corners.map(() => 0) });
}

/** Patches in the order in which their middles come round a centre. */
export function goingRound(graph: SeamGraph, centre: Point, patches: readonly number[]): number[] {
  return steadyOrder(patches, (patch) => directionRound(centre, middle(graph, patch)), EQUAL_DIRECTION);
}
