import type { Join } from '../assembly';
import { BASTE_POLICIES, basteMoments, type BastePolicy } from './papersInPlay';

/** Papers at one moment of the sewing. */
export interface PapersAt {
  /** Minutes of sewing done. */
  readonly minutes: number;
  /** Papers inside the larger unit: what weighs in the hand. */
  readonly inHand: number;
  /** The same if papers are left in to the end. */
  readonly inHandKept: number;
  /** Papers between basting and release, by when patches are basted. */
  readonly inUse: Readonly<Record<BastePolicy, number>>;
}

/**
 * Follows the papers through a plan, join by join.
 * @param patchCount patches of the block
 * @param background a patch that has no paper
 * @returns one entry per join, at its start, and one at the end
 */
export function papersOverTime(
  joins: readonly Pick<Join, 'left' | 'right' | 'releases' | 'minutes' | 'papersInHand'>[],
  patchCount: number,
  background?: number,
): PapersAt[] {
  let [minutes, released] = [0, 0];
  const basted = { 'all-first': 0, 'per-unit': 0, 'just-in-time': 0 };
  const dueOf = BASTE_POLICIES.map(
    (policy) => [policy, basteMoments(joins, patchCount, policy, background)] as const,
  );
  const moments = joins.map((join, index): PapersAt => {
    for (const [policy, due] of dueOf) basted[policy] += due.get(index)?.length ?? 0;
    const inUse = (policy: BastePolicy) => basted[policy] - released;
    const at: PapersAt = {
      minutes,
      inHand: join.papersInHand,
      inHandKept: Math.max(join.left.length, join.right.length),
      inUse: {
        'all-first': inUse('all-first'),
        'per-unit': inUse('per-unit'),
        'just-in-time': inUse('just-in-time'),
      },
    };
    minutes += join.minutes;
    released += join.releases.length;
    return at;
  });
  const papers = background === undefined ? patchCount : patchCount - 1;
  const left = papers - released;
  const inUse = { 'all-first': left, 'per-unit': left, 'just-in-time': left };
  return [...moments, { minutes, inHand: left, inHandKept: papers, inUse }];
}
