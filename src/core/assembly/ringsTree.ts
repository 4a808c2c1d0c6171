import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { distance, edgesOf, isInside, locate, toPolygon } from '../geometry';
import { starAtMiddle, starTree } from './figures';
import { goingRound, middleOfAll } from './middles';
import { joinInOrder, leaf, type Tree } from './tree';

/** A middle this near to a seam lies on it, mm. */
const ON_SEAM_MM = 0.5;

/** One patch after another round the middle, ring by ring; a star in the middle is made first, in its halves. */
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
  const star = starAtMiddle(graph, members, centre);
  if (star) front = [...star.patches];
  const rings: number[][] = [];
  const seen = new Set<number>();
  while (front.length > 0) {
    front.forEach((patch) => seen.add(patch));
    rings.push(goingRound(graph, centre, front));
    const near = front.flatMap((patch) =>
      (graph.seamsOf[patch] ?? []).flatMap((seam) => graph.seams[seam]?.patches ?? []),
    );
    front = [...new Set(near)].filter((patch) => own.has(patch) && !seen.has(patch));
  }
  const around = (star ? rings.slice(1) : rings).flat().map(leaf);
  return joinInOrder(graph, star ? [starTree(graph, star), ...around] : around);
}
