import { useMemo } from 'react';
import { withUnits, type Step } from '@/core/sheet';
import type { makerPage } from '@/server/progress';
import { useRemembered } from '@/ui/useRemembered';
import { useTicks } from './useTicks';

export type PageData = Awaited<ReturnType<typeof makerPage>>;

/** The maker's blocks with their ticks, the block that is shown, and where its work stands. */
export function useMakerBlock(token: string, initial: PageData) {
  const ticks = useTicks(token, initial.maker.id, initial.upTo);
  const { apply, record } = ticks;
  const [chosen, setChosen] = useRemembered(`kevlo-block-${token}`);
  const blocks = useMemo(
    () =>
      initial.blocks.map((block) => {
        const progress = apply(block.id, block.done, block.stuck, block.sheet.steps);
        const remade = new Set(
          [...block.changed, ...progress.changed].filter((id) => !progress.done.has(id)),
        );
        return { ...block, progress, remade };
      }),
    [initial, apply],
  );
  const fabrics = useMemo(
    () =>
      [...new Set(initial.blocks.flatMap(({ sheet }) => sheet.patches.map(({ fabric }) => fabric)))].sort(),
    [initial],
  );
  const block =
    blocks.find(({ id }) => id === chosen) ??
    blocks.find(({ progress, covered, sheet }) => progress.done.size + covered.length < sheet.steps.length) ??
    blocks[0];
  const tick = (step: Step, kind: 'done' | 'undone' | 'stuck', minutes?: number) => {
    if (block) record(block.id, withUnits(step, block.sheet.patches), kind, minutes);
  };
  return { ticks, blocks, block, fabrics, setChosen, tick };
}

export type MakersBlock = NonNullable<ReturnType<typeof useMakerBlock>['block']>;

/**
 * Where the work on a block stands: the step that is shown, what is left, and what was ticked last.
 * @param opened a step that the maker chose to look at; else the first that is not done
 */
export function standOf({ sheet: { steps }, progress, covered }: MakersBlock, opened?: number) {
  const also = new Set(covered);
  const isDone = (id: string) => progress.done.has(id) || also.has(id);
  const first = steps.findIndex(({ id }) => !isDone(id));
  const next = opened !== undefined && steps[opened] ? opened : first;
  return {
    isDone,
    next,
    step: steps[next],
    lastDone: steps.findLast(({ id }) => progress.done.has(id)),
    minutesLeft: steps.reduce((sum, { id, minutes }) => sum + (isDone(id) ? 0 : minutes), 0),
    then: next < 0 ? [] : steps.slice(next + 1).filter(({ id }) => !isDone(id)),
  };
}
