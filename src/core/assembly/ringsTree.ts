import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { distance, edgesOf, isInside, locate, toPolygon } from '../geometry';
import { goingRound, middleOfAll } from './middles';
import { joinInOrder, leaf, type Tree } from './tree';

/** A middle this near to a seam lies on it, mm. */
const ON_SEAM_MM = 0.5;

/** One patch after another round the middle, ring by ring. */
export function ringsTree(graph: SeamGraph, members: readonly number[]): Tree {
  const centre = middleOfAll(graph, members);
  const own = new Set(members);
  const reach = (patch: number) => {
    const { outline } = itemAt(graph.patches, patch);
    if (isInside(centre, toPolygon(outline, 0.1))) return 0;
    // A middle on a seam lies in both of its patches.
    if (edgesOf(outline).some((edge) => locate(edge, centre).off < ON_SEAM_MM)) return 0;
    return Math.min(...outline.corners.map((corner) => distance(corner, centre)));
  };
  const least = Math.min(...members.map(reach));
  let front = members.filter((patch) => reach(patch) <= least + 1);
  if (front.length > members.length / 2) front = [itemAt(front, 0)];
  const rings: number[][] = [];
  const seen = new Set<number>();
  while (front.length > 0) {
    front.forEach((patch) => seen.add(patch));
    rings.push(goingRound(graph, centre, front));
    const around = front.flatMap((patch) =>
      (graph.seamsOf[patch] ?? []).flatMap((seam) => graph.seams[seam]?.patches ?? []),
    );
    front = [...new Set(around)].filter((patch) => own.has(patch) && !seen.has(patch));
  }
  return joinInOrder(graph, rings.flat().map(leaf)); // prettier-ignore
}
