import { itemAt } from '../lists';
import type { Join } from '../assembly';
import { turnAt } from '../assembly';
import type { SeamGraph } from '../block';
import { STRAIGHT_DEG, type Point } from '../geometry';

/** A place within a join where its direction turns, and the papers that are folded there to reach on. */
export interface BendFold {
  readonly at: Point;
  /** Patches whose papers lie along the seam on both sides of the bend; else those of the smaller unit. */
  readonly patches: readonly number[];
}

/** The bends of a join in the order in which they are come to. What is laid is not folded. */
export function bendFolds(graph: SeamGraph, join: Pick<Join, 'chains' | 'right' | 'isLaid'>): BendFold[] {
  if (join.isLaid) return [];
  const small = new Set(join.right);
  return join.chains.flatMap(({ steps }) =>
    steps.flatMap(({ seam, isForward }, index): BendFold[] => {
      const { patches, innerBends, start, end } = itemAt(graph.seams, seam);
      const inner = innerBends.map((at) => ({ at, patches: patches.filter((patch) => small.has(patch)) }));
      const next = steps[index + 1];
      const place = isForward ? end.place : start.place;
      if (!next || turnAt(graph, place, seam, next.seam) <= STRAIGHT_DEG) return inner;
      const after = itemAt(graph.seams, next.seam).patches;
      const both = patches.filter((patch) => after.includes(patch));
      const near = [...new Set([...patches, ...after])].filter((patch) => small.has(patch));
      return [...inner, { at: itemAt(graph.places, place), patches: both.length > 0 ? both : near }];
    }),
  );
}
