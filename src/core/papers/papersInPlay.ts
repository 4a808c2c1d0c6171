import { itemAt } from '../lists';
import type { Join } from '../assembly';

/** When patches are basted: all before the first join, a unit's before its first join, or each just before its own. */
export type BastePolicy = 'all-first' | 'per-unit' | 'just-in-time';

export const BASTE_POLICIES: readonly BastePolicy[] = ['all-first', 'per-unit', 'just-in-time'];

/** With `per-unit`, units of up to this many patches are basted at one sitting. */
const SITTING_PATCHES = 12;

/** Times a paper can be used before its edges go soft: card, the default stock. */
export const DEFAULT_USES_PER_PAPER = 4;

export interface PaperNeed {
  /** Patches of the kind. */
  readonly uses: number;
  /** Most papers of the kind inside the work at one time. */
  readonly peakInUse: number;
  /** max(peak, ⌈uses ÷ uses per paper⌉). */
  readonly needed: number;
}

/**
 * Simulates a plan and counts, per kind, the papers in use between basting and release.
 * @param kindOf kind index of each patch; −1 for a background, which has no paper
 * @param usesOf times that a paper of each kind can be used; card's where nothing is said
 * @returns one entry per kind
 */
export function papersInPlay(
  joins: readonly Pick<Join, 'left' | 'right' | 'releases'>[],
  kindOf: ArrayLike<number>,
  kindCount: number,
  policy: BastePolicy = 'all-first',
  usesOf: (kind: number) => number = () => DEFAULT_USES_PER_PAPER,
): PaperNeed[] {
  const uses = new Array<number>(kindCount).fill(0);
  const kinds = Array.from(kindOf);
  for (const kind of kinds) if (kind >= 0) bump(uses, kind, 1);
  const without = kinds.indexOf(-1);
  const inUse = uses.map(() => 0);
  const peak = uses.map(() => 0);
  const moments = basteMoments(joins, kindOf.length, policy, without < 0 ? undefined : without);
  for (let join = 0; join <= joins.length; join++) {
    for (const patch of moments.get(join) ?? []) {
      const kind = itemAt(kindOf, patch);
      bump(inUse, kind, 1);
      peak[kind] = Math.max(itemAt(peak, kind), itemAt(inUse, kind));
    }
    for (const patch of joins[join]?.releases ?? []) bump(inUse, itemAt(kindOf, patch), -1);
  }
  return uses.map((count, kind) => {
    const peakInUse = itemAt(peak, kind);
    return { uses: count, peakInUse, needed: Math.max(peakInUse, Math.ceil(count / usesOf(kind))) };
  });
}

/** For each patch the patches that are basted at the same sitting: those of the largest small unit it belongs to. */
function sittings(joins: readonly Pick<Join, 'left' | 'right'>[]): Map<number, readonly number[]> {
  const of = new Map<number, readonly number[]>();
  for (const { left, right } of joins) {
    if (left.length + right.length > SITTING_PATCHES) continue;
    const members = [...left, ...right];
    for (const patch of members) of.set(patch, members);
  }
  return of;
}

/**
 * Which patches are basted before which join.
 * @param background a patch that has no paper
 * @returns by the index of the join: patches in their order; those that are never joined stand at the number of joins
 */
export function basteMoments(
  joins: readonly Pick<Join, 'left' | 'right'>[],
  patchCount: number,
  policy: BastePolicy,
  background?: number,
): Map<number, readonly number[]> {
  const all = Array.from({ length: patchCount }, (_, patch) => patch).filter((patch) => patch !== background);
  if (policy === 'all-first') return new Map([[0, all]]);
  const sittingOf = policy === 'per-unit' ? sittings(joins) : undefined;
  const basted = new Set<number>();
  const moments = new Map<number, readonly number[]>();
  const baste = (join: number, patches: readonly number[]) => {
    const due = [...new Set(patches)].filter((patch) => !basted.has(patch)).sort((a, b) => a - b);
    for (const patch of due) basted.add(patch);
    if (due.length > 0) moments.set(join, due);
  };
  joins.forEach(({ left, right }, join) => {
    const fresh = [left, right].flatMap((unit) => (unit.length === 1 ? unit : []));
    baste(
      join,
      fresh.flatMap((patch) => (basted.has(patch) ? [] : (sittingOf?.get(patch) ?? [patch]))),
    );
  });
  baste(joins.length, all);
  return moments;
}

function bump(counts: number[], index: number, by: number): void {
  counts[index] = itemAt(counts, index) + by;
}

/** Spare papers of one kind, where they are not as many as of the others: a share of its count, or so many in each bag. */
export type SpareRule = { readonly percent: number } | { readonly count: number };

/** Papers to put in a bag: the count with spares, a share rounded up. Of what is not in it there are no spares. */
export function withSpares(count: number, sparesPercent: number, rule?: SpareRule): number {
  if (count === 0) return 0;
  if (rule && 'count' in rule) return count + rule.count;
  return count + Math.ceil((count * (rule?.percent ?? sparesPercent)) / 100 - 1e-9);
}

/** Papers in a ready-cut pack. */
export const PACK_PAPERS = 100;

/** Packs of one kind for several makers: opened packs are shared out. */
export function packsFor(neededEach: number, makers: number): number {
  return Math.ceil((neededEach * makers) / PACK_PAPERS);
}
