import { itemAt } from '../lists';
import type { SeamEnd, SeamGraph } from '../block';
import type { Point } from '../geometry';
import { foldBy, type FoldConvention } from './conventions';
import { tailsOf, type FoldOrder, type Tail } from './tails';

export interface BastedPatch {
  readonly fold: FoldOrder;
  readonly tails: readonly Tail[];
}

/** An end of a seam where the tails of both patches lie across it and make a lump. */
export interface Clash {
  readonly seam: number;
  readonly at: Point;
}

export interface BastingPlan {
  readonly allowanceMm: number;
  /** By patch index. */
  readonly patches: readonly BastedPatch[];
  readonly clashes: readonly Clash[];
}

/**
 * Plans the folding of every patch: clockwise as seen from the front and tucked, or as the host chose. Clashes are
 * looked for on the graph all the same.
 * @param conventionOf the convention of a patch
 */
export function planBasting(
  graph: SeamGraph,
  allowanceMm: number,
  conventionOf: (patch: number) => FoldConvention = () => 'clockwise',
  background?: number,
): BastingPlan {
  const patches = graph.patches.map(({ outline }, patch) => {
    if (patch === background) return { fold: { order: [], isTucked: false }, tails: [] };
    const fold = foldBy(conventionOf(patch), outline);
    return { fold, tails: tailsOf(outline, fold, allowanceMm) };
  });
  return { allowanceMm, patches, clashes: findClashes(graph, patches) };
}

/** Finds every seam end at which both patches' tails lie across the seam. Cost: linear in the number of seams. */
export function findClashes(graph: SeamGraph, patches: readonly BastedPatch[]): Clash[] {
  return graph.seams.flatMap((seam, index) =>
    [seam.start, seam.end].flatMap((end) => {
      const bothLieAcross = seam.patches.every((patch, which) =>
        hasTailAcross(graph, patch, itemAt(patches, patch), end, end.sides[which as 0 | 1]),
      );
      return bothLieAcross ? [{ seam: index, at: itemAt(graph.places, end.place) }] : [];
    }),
  );
}

function hasTailAcross(
  graph: SeamGraph,
  patch: number,
  basted: BastedPatch,
  end: SeamEnd,
  side: number,
): boolean {
  const { sides } = graph;
  const first = itemAt(sides.firstOf, patch);
  return basted.tails.some(
    ({ corner, overEdge }) => overEdge === side && sides.startPlace[first + corner] === end.place,
  );
}
