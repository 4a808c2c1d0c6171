import { useCallback, useEffect, useState } from 'react';
import type { BlockSheet, Step } from '@/core/sheet';
import { isInField } from '@/ui/isInField';
import { useJoinHand } from './useJoinHand';

/** Time for which a step is shown while playing, ms. */
const PLAY_MS = 1600;

/** Which step is shown and how (at first the opened one); keys: ← → step, space plays, F flips, T tails, O papers out, L prints; Alt with ↑ ↓ moves a join. */
export function useStepPlayer(projectId: string, blockId: string, sheet: BlockSheet, opened?: string) {
  const { steps } = sheet;
  const [shown, setShown] = useState(() => {
    const index = Math.max(
      0,
      steps.findIndex(({ id }) => id === opened),
    );
    return { index, id: steps[index]?.id };
  });
  const current = indexOfShown(steps, shown);
  const setCurrent = useCallback((index: number) => setShown({ index, id: steps[index]?.id }), [steps]);
  const press = useJoinHand(projectId, blockId, sheet);
  const [isFlipped, setIsFlipped] = useState(false);
  const [showTails, setShowTails] = useState(false);
  const [showReleased, setShowReleased] = useState(true);
  const [isPlaying, setIsPlaying] = useState(false);
  const go = useCallback(
    (by: number) =>
      setShown((now) => {
        const index = Math.min(steps.length - 1, Math.max(0, indexOfShown(steps, now) + by));
        return { index, id: steps[index]?.id };
      }),
    [steps],
  );
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (isInField(event) || event.ctrlKey || event.metaKey) return;
      const at = steps[current];
      if (event.altKey && at?.kind === 'join' && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
        event.preventDefault();
        press(event.key === 'ArrowUp' ? 'earlier' : 'later', at.id);
        return;
      }
      if (event.altKey || target.closest('[aria-roledescription="sortable"]')) return;
      if (event.key === ' ' && target.closest('button, a')) return;
      const actions: Record<string, () => void> = {
        ArrowLeft: () => go(-1),
        ArrowRight: () => go(1),
        ' ': () => setIsPlaying((is) => !is),
        f: () => setIsFlipped((is) => !is),
        t: () => setShowTails((is) => !is),
        o: () => setShowReleased((is) => !is),
        l: () => window.print(),
      };
      const action = actions[event.key];
      if (!action) return;
      event.preventDefault();
      action();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [go, press, steps, current]);
  useEffect(() => {
    if (!isPlaying || current >= steps.length - 1) return;
    const timer = setTimeout(() => go(1), PLAY_MS);
    return () => clearTimeout(timer);
  }, [isPlaying, current, steps.length, go]);
  return {
    current,
    setCurrent,
    go,
    press,
    isFlipped,
    setIsFlipped,
    showTails,
    setShowTails,
    showReleased,
    setShowReleased,
    isPlaying,
    setIsPlaying,
  };
}

export type Player = ReturnType<typeof useStepPlayer>;

/** Where the step shown stands now; when the order no longer has it, the step in its place. */
function indexOfShown(
  steps: readonly Step[],
  { index, id }: { index: number; id: string | undefined },
): number {
  if (steps[index]?.id === id) return index;
  const found = steps.findIndex((step) => step.id === id);
  return found >= 0 ? found : Math.min(index, steps.length - 1);
}
