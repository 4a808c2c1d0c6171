import type { Join, SewingSettings } from '../assembly';

/** One sitting at which papers are taken out, before a join. */
export interface TakingOut {
  /** Index of the join that is sewn next. */
  readonly beforeJoin: number;
  /** Patches whose papers are taken out. */
  readonly patches: readonly number[];
  /** Papers in the larger unit of that join before and after. */
  readonly inHandBefore: number;
  readonly inHandAfter: number;
}

/** When to take papers out for comfort, against taking each out at once and against leaving all in. */
export interface TakingOutPlan {
  readonly sittings: readonly TakingOut[];
  /** Most papers in the larger unit: when taken out at these sittings, as soon as they may, or never before the end. */
  readonly mostInHand: { readonly sittings: number; readonly atOnce: number; readonly kept: number };
  /** Minutes that heavy units cost in each case. */
  readonly heavyMinutes: { readonly sittings: number; readonly atOnce: number; readonly kept: number };
}

type PaperJoin = Pick<Join, 'left' | 'right' | 'releases' | 'minutes' | 'papersInHand'>;

/**
 * Finds a few sittings for taking papers out: they stay until a unit would hold more than the hand carries lightly,
 * then all that may come out of it do. Where even that leaves too many, papers are taken out only when at least a
 * quarter of what is in the hand comes out.
 * @param joins those of the plan, whose minutes count papers that come out as soon as they may
 */
export function takingOut(
  joins: readonly PaperJoin[],
  { lightPapers, heavyShare }: SewingSettings,
): TakingOutPlan {
  const free = new Set<number>();
  const out = new Set<number>();
  const sittings: TakingOut[] = [];
  const most = { sittings: 0, atOnce: 0, kept: 0 };
  const heavyMinutes = { sittings: 0, atOnce: 0, kept: 0 };
  joins.forEach((join, beforeJoin) => {
    const larger = join.left.length >= join.right.length ? join.left : join.right;
    const inside = larger.filter((patch) => !out.has(patch));
    const loose = inside.filter((patch) => free.has(patch));
    const isTooMany = inside.length > lightPapers && loose.length >= inside.length / 4;
    if (isTooMany && loose.length > 0) {
      for (const patch of loose) out.add(patch);
      const inHandAfter = inside.length - loose.length;
      sittings.push({ beforeJoin, patches: loose, inHandBefore: inside.length, inHandAfter });
    }
    const inHand = {
      sittings: inside.length - (isTooMany ? loose.length : 0),
      atOnce: join.papersInHand,
      kept: larger.length,
    };
    const light = join.minutes / heavyFactor(join.papersInHand);
    for (const way of ['sittings', 'atOnce', 'kept'] as const) {
      most[way] = Math.max(most[way], inHand[way]);
      heavyMinutes[way] += light * (heavyFactor(inHand[way]) - 1);
    }
    for (const patch of join.releases) free.add(patch);
  });
  return { sittings, mostInHand: most, heavyMinutes };

  /** How much longer a join takes with so many papers in the hand. */
  function heavyFactor(papers: number): number {
    return 1 + heavyShare * Math.max(0, papers - lightPapers);
  }
}
