import Flatbush from 'flatbush';
import { boxOfPoints, type Point } from '../geometry';
import { itemAt } from '../lists';
import { convexParts, depthAt, noFitOf } from '../nesting';

/** Cuts that touch share a cut: only what is deeper counts, mm. */
const TOUCH_MM = 1e-6;

/** A cut outline at one place of the cloth. */
export interface Candidate {
  /** Number of its anchor. */
  readonly anchor: number;
  readonly at: Point;
}

/** For each candidate those whose cuts lie on its own. Cost: near-linear, by a spatial index. */
export function conflictsOf(candidates: readonly Candidate[], outlines: readonly (readonly Point[])[]): number[][] {
  if (candidates.length === 0) return [];
  const parts = outlines.map(convexParts);
  const regions = parts.map((own) => parts.map((other) => noFitOf(own, other)));
  const boxes = outlines.map(boxOfPoints);
  const index = new Flatbush(candidates.length);
  for (const { anchor, at } of candidates) {
    const { minX, minY, maxX, maxY } = itemAt(boxes, anchor);
    index.add(at.x + minX, at.y + minY, at.x + maxX, at.y + maxY);
  }
  index.finish();
  return candidates.map(({ anchor, at }, own) => {
    const { minX, minY, maxX, maxY } = itemAt(boxes, anchor);
    return index.search(at.x + minX, at.y + minY, at.x + maxX, at.y + maxY).filter((other) => {
      if (other === own) return false;
      const second = itemAt(candidates, other);
      const region = itemAt(itemAt(regions, anchor), second.anchor);
      return depthAt(region, second.at.x - at.x, second.at.y - at.y, TOUCH_MM) > 0;
    });
  });
} // prettier-ignore

/**
 * Groups of candidates of which each lies on each other, so that only one of a group can be cut; every pair of candidates on each
 * other is in one. Groups as large as greedy growing makes them keep the solver's bound low.
 */
export function cliquesOf(conflicts: readonly (readonly number[])[]): number[][] {
  const near = conflicts.map((list) => new Set(list));
  const covered = conflicts.map(() => new Set<number>());
  const cliques: number[][] = [];
  conflicts.forEach((list, own) => {
    for (const other of list) {
      if (itemAt(covered, own).has(other)) continue;
      const clique = [own, other];
      for (const third of list)
        if (third !== other && clique.every((one) => one === own || itemAt(near, one).has(third))) clique.push(third);
      for (const one of clique) for (const two of clique) itemAt(covered, one).add(two);
      cliques.push(clique);
    }
  });
  return cliques;
} // prettier-ignore
