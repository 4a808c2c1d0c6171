import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { counted } from '../words';
import { foldBy } from './conventions';
import { findClashes, type BastedPatch, type Clash } from './planBasting';
import { tailsOf } from './tails';

/** The two ways of folding all round; patches that fold the same way never clash with each other. */
const WAYS = ['clockwise', 'counter-clockwise'] as const;

/** A patch to fold anew, all round this way. */
export interface Refold {
  readonly patch: number;
  readonly convention: (typeof WAYS)[number];
}

/** Patches to fold anew so that no tails clash, by their index. */
export interface Refolds {
  readonly folds: readonly Refold[];
  /** Whether no fewer would do. */
  readonly isFewest: boolean;
}

type Chosen = ReadonlyMap<number, Refold['convention']>;

/** Most arrangements that are tried before the nearly fewest are taken. */
const MOST_TRIED = 4000;

/**
 * Finds the fewest patches to fold anew so that no seam clashes. Of each clash one of the two must turn its tail away; where all
 * fold the same way nothing clashes, so that an answer always exists. Tried by number, fewest first; where that would take too
 * long all turn the same way, patch after patch, that with most clashes first, and the way is taken of which fewer need to.
 */
export function fewestRefolds(
  graph: SeamGraph,
  basted: readonly BastedPatch[],
  allowanceMm: number,
): Refolds {
  const known = new Map<string, BastedPatch>();
  const folded = (patch: number, convention: Refold['convention']): BastedPatch => {
    const key = `${patch} ${convention}`;
    const own = known.get(key);
    if (own) return own;
    const { outline } = itemAt(graph.patches, patch);
    const fold = foldBy(convention, outline);
    const made = { fold, tails: tailsOf(outline, fold, allowanceMm) };
    known.set(key, made);
    return made;
  };
  const after = (chosen: Chosen) =>
    findClashes(graph, basted.map((one, patch) => {
      const convention = chosen.get(patch);
      return convention ? folded(patch, convention) : one;
    })); // prettier-ignore
  const tries = { left: MOST_TRIED };
  const search = (chosen: Chosen, clashes: readonly Clash[], depth: number): Chosen | undefined => {
    const [clash] = clashes;
    if (!clash) return chosen;
    if (depth === 0) return undefined;
    for (const patch of itemAt(graph.seams, clash.seam).patches) {
      if (chosen.has(patch)) continue;
      for (const convention of WAYS) {
        if (tries.left-- <= 0) return undefined;
        const next = new Map(chosen).set(patch, convention);
        const left = after(next);
        const found = left.some((one) => isSame(one, clash)) ? undefined : search(next, left, depth - 1);
        if (found) return found;
      }
    }
    return undefined;
  };
  const clashes = after(new Map());
  for (let depth = 0; depth <= graph.patches.length && tries.left > 0; depth++) {
    const found = search(new Map(), clashes, depth);
    if (found) return { folds: listed(found), isFewest: true };
  }
  const [one, other] = WAYS.map((convention) => {
    const isTurned = (patch: number) => isSameWay(itemAt(basted, patch), folded(patch, convention));
    return allOneWay(graph, convention, isTurned, after);
  }) as [Chosen, Chosen];
  return { folds: listed(other.size < one.size ? other : one), isFewest: false };
}

function allOneWay(
  graph: SeamGraph,
  convention: Refold['convention'],
  isTurned: (patch: number) => boolean,
  after: (chosen: Chosen) => readonly Clash[],
): Chosen {
  const chosen = new Map<number, Refold['convention']>();
  for (let clashes = after(chosen); clashes.length > 0; clashes = after(chosen)) {
    const counts = new Map<number, number>();
    for (const patch of clashes.flatMap(({ seam }) => itemAt(graph.seams, seam).patches))
      if (!chosen.has(patch) && !isTurned(patch)) counts.set(patch, (counts.get(patch) ?? 0) + 1);
    const [most] = [...counts].sort((a, b) => b[1] - a[1]);
    if (!most) break;
    chosen.set(most[0], convention);
  }
  return chosen;
}

/** Whether the tails of a patch lie the same way, however it was folded. */
function isSameWay(a: BastedPatch, b: BastedPatch): boolean {
  return a.tails.every(({ overEdge }, i) => overEdge === b.tails[i]?.overEdge);
}

function isSame(a: Clash, b: Clash): boolean {
  return a.seam === b.seam && a.at.x === b.at.x && a.at.y === b.at.y;
}

function listed(chosen: Chosen): Refold[] {
  return [...chosen].map(([patch, convention]) => ({ patch, convention })).sort((a, b) => a.patch - b.patch);
}

/** What is folded anew, as the hand sees it from the paper side: 2 patches anticlockwise and 1 patch clockwise. */
export function sayRefolds(folds: readonly Pick<Refold, 'convention'>[]): string {
  const said = (convention: Refold['convention'], seen: string) => {
    const count = folds.filter((one) => one.convention === convention).length;
    return count === 0 ? [] : [`${counted(count, 'patch', 'patches')} ${seen}`];
  };
  return [...said('clockwise', 'anticlockwise'), ...said('counter-clockwise', 'clockwise')].join(' and ');
}
