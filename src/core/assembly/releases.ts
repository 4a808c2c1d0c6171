import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import type { BareJoin } from './join';

export interface ReleasingJoin extends BareJoin {
  readonly releases: readonly number[];
  /** Papers still inside the larger unit while this join is sewn. */
  readonly papersInHand: number;
}

/**
 * Finds the first moment at which each paper may come out: when every edge of its patch is sewn. Patches with an open
 * edge keep theirs until the block is joined on that side or appliquéd.
 */
export function releaseAfterJoins(graph: SeamGraph, joins: readonly BareJoin[]): ReleasingJoin[] {
  const unsewn = graph.seamsOf.map(({ length }) => length);
  const keeps = new Set(graph.openEdges.map(({ patch }) => patch));
  const isOut = new Uint8Array(graph.patches.length);
  return joins.map((join) => {
    const larger = join.left.length >= join.right.length ? join.left : join.right;
    const papersInHand = larger.reduce((count, patch) => count + (isOut[patch] ? 0 : 1), 0);
    const releases: number[] = [];
    for (const seam of join.seams) {
      for (const patch of graph.seams[seam]?.patches ?? []) {
        unsewn[patch] = itemAt(unsewn, patch) - 1;
        if (unsewn[patch] === 0 && !keeps.has(patch)) releases.push(patch);
      }
    }
    for (const patch of releases) isOut[patch] = 1;
    return { ...join, releases, papersInHand };
  });
}
