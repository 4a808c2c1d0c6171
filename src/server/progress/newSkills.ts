import type { BlockSummary } from '@/core/sheet';
import type { PairStanding } from './makerStanding';

/** Something that hands must know for a block, and where it comes first. */
export interface NewSkill {
  readonly skill: string;
  readonly blockId: string;
  readonly stepId: string;
  /** Steps of these blocks that ask for it. */
  readonly steps: number;
}

/** What some blocks ask for that no maker has done yet, in the order in which it comes. */
export function newSkills(
  blocks: readonly { readonly id: string; readonly summary: BlockSummary }[],
  standings: readonly PairStanding[],
): NewSkill[] {
  const known = new Set(
    standings.flatMap(({ standing: { summary, done } }) =>
      summary.steps.flatMap(({ id, skills }) => (done.has(id) ? skills : [])),
    ),
  );
  const found = new Map<string, NewSkill>();
  for (const { id: blockId, summary } of blocks)
    for (const { id: stepId, skills } of summary.steps)
      for (const skill of skills) {
        if (known.has(skill)) continue;
        const before = found.get(skill) ?? { skill, blockId, stepId, steps: 0 };
        found.set(skill, { ...before, steps: before.steps + 1 });
      }
  return [...found.values()];
}
