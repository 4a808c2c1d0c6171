import { unitKey } from '../assembly';
import { alikeName } from './names';
import type { JoinStep, Step } from './step';

/** Several steps in a row that make the same unit again: one thing to do so many times. */
export interface Batch {
  /** Index of the first of them, and how many there are. */
  readonly from: number;
  readonly count: number;
  /** “pair A”, “unit B”. */
  readonly name: string;
}

/** The batch that a step belongs to; none where it stands alone. */
export function batchAt(steps: readonly Step[], index: number): Batch | undefined {
  const letter = letterAt(steps, index);
  const { left, right, repeat } = (steps[index] ?? {}) as Partial<JoinStep>;
  if (letter === undefined || !left || !right || !repeat) return undefined;
  let [from, to] = [index, index];
  while (letterAt(steps, from - 1) === letter) from -= 1;
  while (letterAt(steps, to + 1) === letter) to += 1;
  if (from === to) return undefined;
  return { from, count: to - from + 1, name: alikeName(repeat, left.length + right.length) };
}

function letterAt(steps: readonly Step[], index: number): string | undefined {
  const step = steps[index];
  return step?.kind === 'join' ? step.repeat?.letter : undefined;
}

/**
 * Which step has to be done before another may be: a patch is basted before it is joined, a unit is made before it is sewn on,
 * all papers of an appliqué are joined before it is laid down.
 * @param isDone whether a step is done, by its id
 * @returns index of the first step that is missing; undefined where the step may be done now
 */
export function waitsFor(
  steps: readonly Step[],
  index: number,
  isDone: (id: string) => boolean,
): number | undefined {
  const step = steps[index];
  if (!step || step.kind === 'baste') return undefined;
  const needed = step.kind === 'join' ? neededByJoin(steps, step) : neededByApplique(steps, index);
  return needed.find((one) => !isDone(steps[one]?.id ?? ''));
}

function neededByJoin(steps: readonly Step[], { left, right }: JoinStep): number[] {
  const made = new Set([left, right].flatMap((unit) => (unit.length > 1 ? [unitKey(unit)] : [])));
  const single = new Set([left, right].flatMap((unit) => (unit.length === 1 ? unit : [])));
  return steps.flatMap((step, index) => {
    if (step.kind === 'baste') return step.patches.some((patch) => single.has(patch)) ? [index] : [];
    return step.kind === 'join' && made.has(unitKey([...step.left, ...step.right])) ? [index] : [];
  });
}

function neededByApplique(steps: readonly Step[], at: number): number[] {
  const own = new Set(steps[at]?.kind === 'applique' ? steps[at].patches : []);
  return steps.slice(0, at).flatMap((step, index) => {
    if (step.kind === 'applique') return [index];
    const patches = step.kind === 'baste' ? step.patches : [...step.left, ...step.right];
    return patches.some((patch) => own.has(patch)) ? [index] : [];
  });
}
