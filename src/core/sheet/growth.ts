import { itemAt } from '../lists';
import type { Chain, Join } from '../assembly';
import type { SeamGraph } from '../block';

/** Each seam that ends on a join adds this much to its side while the papers are in, mm. */
export const GROWTH_MM = 0.5;

/** Places along a run in the order of sewing, both ends included. */
export function placesOf(graph: SeamGraph, { steps, startPlace }: Chain): number[] {
  const places = [startPlace];
  for (const { seam, isForward } of steps) {
    const { start, end } = itemAt(graph.seams, seam);
    places.push(isForward ? end.place : start.place);
  }
  return places;
}

/** Seams of each unit that end on a run, its two ends left out. */
export function growthAlong(graph: SeamGraph, join: Join, chain: Chain): { left: number; right: number } {
  const [own, other] = [new Set(join.left), new Set(join.right)];
  const count = { left: 0, right: 0 };
  for (const place of placesOf(graph, chain).slice(1, -1)) {
    for (const seam of graph.seamsAt[place] ?? []) {
      const [a, b] = itemAt(graph.seams, seam).patches;
      if (own.has(a) && own.has(b)) count.left++;
      if (other.has(a) && other.has(b)) count.right++;
    }
  }
  return count;
}
