import type { Join } from '../assembly';
import type { SeamGraph } from '../block';

/** When patches are basted: all before the first join, or each just before the join that needs it. */
export type BastePolicy = 'all-first' | 'just-in-time';

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
 * @param kindOf kind index of each patch
 * @returns one entry per kind
 */
export function papersInPlay(
  graph: SeamGraph,
  joins: readonly Pick<Join, 'left' | 'right' | 'releases'>[],
  kindOf: ArrayLike<number>,
  kindCount: number,
  policy: BastePolicy = 'all-first',
  usesPerPaper = DEFAULT_USES_PER_PAPER,
): PaperNeed[] {
  const uses = new Array<number>(kindCount).fill(0);
  graph.patches.forEach((_, patch) => bump(uses, kindOf[patch] as number, 1));
  const inUse = policy === 'all-first' ? [...uses] : uses.map(() => 0);
  const peak = [...inUse];
  const basted = new Set<number>(policy === 'all-first' ? graph.patches.keys() : []);
  for (const { left, right, releases } of joins) {
    // A unit of several patches was basted when it was joined; only single patches are new.
    for (const unit of [left, right]) {
      const [patch] = unit;
      if (unit.length > 1 || patch === undefined || basted.has(patch)) continue;
      basted.add(patch);
      const kind = kindOf[patch] as number;
      bump(inUse, kind, 1);
      peak[kind] = Math.max(peak[kind] as number, inUse[kind] as number);
    }
    for (const patch of releases) bump(inUse, kindOf[patch] as number, -1);
  }
  return uses.map((count, kind) => {
    const peakInUse = Math.max(peak[kind] as number, count > 0 ? 1 : 0);
    return { uses: count, peakInUse, needed: Math.max(peakInUse, Math.ceil(count / usesPerPaper)) };
  });
}

function bump(counts: number[], index: number, by: number): void {
  counts[index] = (counts[index] as number) + by;
}

/** Papers to put in a bag: the count with spares, rounded up. */
export function withSpares(count: number, sparesPercent: number): number {
  return count + Math.ceil((count * sparesPercent) / 100 - 1e-9);
}
