import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { edgeLength, edgesOf } from '../geometry';
import { findClashes, type BastedPatch } from './planBasting';
import { foldClockwise, tailsOf } from './tails';

/** Patches to fold anew, all round clockwise, so that no tails clash. */
export interface Refolds {
  readonly patches: readonly number[];
  /** Whether no fewer would do. */
  readonly isFewest: boolean;
}

/** Most arrangements that are tried before the nearly fewest are taken. */
const MOST_TRIED = 4000;

/**
 * Finds the fewest patches to re-fold so that no seam clashes: of each clash one of the two must turn. Patches that
 * fold clockwise and tuck never clash with each other, so that an answer always exists. Tried by number, fewest first;
 * where that would take too long, the patch with most clashes is turned again and again.
 */
export function fewestRefolds(
  graph: SeamGraph,
  basted: readonly BastedPatch[],
  allowanceMm: number,
): Refolds {
  const turned = new Map<number, BastedPatch>();
  const clockwise = (patch: number): BastedPatch => {
    const known = turned.get(patch);
    if (known) return known;
    const { outline } = itemAt(graph.patches, patch);
    const fold = foldClockwise(edgesOf(outline).map(edgeLength));
    const own = { fold, tails: tailsOf(outline, fold, allowanceMm) };
    turned.set(patch, own);
    return own;
  };
  const after = (chosen: ReadonlySet<number>) =>
    findClashes(graph, basted.map((one, patch) => (chosen.has(patch) ? clockwise(patch) : one))); // prettier-ignore
  const tries = { left: MOST_TRIED };
  const search = (chosen: ReadonlySet<number>, depth: number): number[] | undefined => {
    const [clash] = after(chosen);
    if (!clash) return [...chosen];
    if (depth === 0 || tries.left-- <= 0) return undefined;
    for (const patch of graph.seams[clash.seam]?.patches ?? []) {
      if (chosen.has(patch)) continue;
      const found = search(new Set([...chosen, patch]), depth - 1);
      if (found) return found;
    }
    return undefined;
  };
  for (let depth = 0; depth <= graph.patches.length && tries.left > 0; depth++) {
    const found = search(new Set(), depth);
    if (found) return { patches: found.sort((a, b) => a - b), isFewest: true };
  }
  return { patches: greedy(graph, after), isFewest: false };
}

function greedy(
  graph: SeamGraph,
  after: (chosen: ReadonlySet<number>) => readonly { readonly seam: number }[],
): number[] {
  const chosen = new Set<number>();
  for (let clashes = after(chosen); clashes.length > 0; clashes = after(chosen)) {
    const counts = new Map<number, number>();
    for (const { seam } of clashes)
      for (const patch of graph.seams[seam]?.patches ?? [])
        if (!chosen.has(patch)) counts.set(patch, (counts.get(patch) ?? 0) + 1);
    const [most] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [undefined];
    if (most === undefined) break;
    chosen.add(most);
  }
  return [...chosen].sort((a, b) => a - b);
}
