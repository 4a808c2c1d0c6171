import type { SeamGraph } from '../block';
import { middleOfBox, type Point } from '../geometry';

/** Middle of a patch, mm. */
export function middle(graph: SeamGraph, patch: number): Point {
  return middleOfBox((graph.patches[patch] as SeamGraph['patches'][number]).outline);
}

/** Middle of the box round patches, mm. */
export function middleOfAll(graph: SeamGraph, members: readonly number[]): Point {
  const corners = members.flatMap((patch) => graph.patches[patch]?.outline.corners ?? []);
  return middleOfBox({ corners, bulges: corners.map(() => 0) });
}

/** Direction from a centre to the middle of a patch, degrees from −180 to 180. */
export function directionFrom(graph: SeamGraph, centre: Point, patch: number): number {
  const { x, y } = middle(graph, patch);
  return (Math.atan2(y - centre.y, x - centre.x) * 180) / Math.PI;
}
