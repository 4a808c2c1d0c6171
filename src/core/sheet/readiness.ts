import { unitKey } from '../assembly';
import type { JoinStep, Step } from './step';

/** Several units that are alike and made one after another: one thing to do so many times. */
export interface Batch {
  /** Index of the first of their steps. */
  readonly from: number;
  /** How many such units, and how many steps each takes. */
  readonly count: number;
  readonly size: number;
  /** “pair A”, “winged kite D”. */
  readonly name: string;
}

/** A unit of a batch takes at most so many steps. */
const MOST_STEPS = 24;

/** All batches of a stream of steps, in their order; none overlap. Cost: linear in the steps, times 24 at worst. */
export function batchesOf(steps: readonly Step[]): Batch[] {
  const found: Batch[] = [];
  for (let from = 0; from < steps.length;) {
    const batch = batchFrom(steps, from);
    if (batch) found.push(batch);
    from += batch ? batch.count * batch.size : 1;
  }
  return found;
}

/** The batch that a step belongs to; none where it stands alone. */
export function batchAt(steps: readonly Step[], index: number): Batch | undefined {
  return batchesOf(steps).find(({ from, count, size }) => index >= from && index < from + count * size);
}

/** The batch that begins at a step: the shortest stretch that makes one unit and comes again at once. */
function batchFrom(steps: readonly Step[], from: number): Batch | undefined {
  for (let size = 1; size <= MOST_STEPS && steps[from + size - 1]?.kind === 'join'; size++) {
    const name = nameAt(steps, from + size - 1);
    if (name === undefined || !isOneUnit(steps, from, size)) continue;
    let count = 1;
    while (isAgain(steps, from, size, count)) count += 1;
    if (count > 1) return { from, count, size, name };
  }
  return undefined;
}

function isAgain(steps: readonly Step[], from: number, size: number, copy: number): boolean {
  for (let at = from; at < from + size; at++) {
    const name = nameAt(steps, at);
    if (name === undefined || nameAt(steps, at + copy * size) !== name) return false;
  }
  return isOneUnit(steps, from + copy * size, size);
}

/** Whether the last of some steps makes a unit of all that the others put together. */
function isOneUnit(steps: readonly Step[], from: number, size: number): boolean {
  const last = steps[from + size - 1] as JoinStep;
  const whole = new Set([...last.left, ...last.right]);
  return steps.slice(from, from + size).every((step) => step.kind === 'join' && [...step.left, ...step.right].every((patch) => whole.has(patch))); // prettier-ignore
}

function nameAt(steps: readonly Step[], index: number): string | undefined {
  const step = steps[index];
  return step?.kind === 'join' ? step.alike : undefined;
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
  const step = steps[at];
  const own = new Set(step?.kind === 'applique' || step?.kind === 'finish' ? step.patches : []);
  return steps.slice(0, at).flatMap((step, index) => {
    if (step.kind === 'applique' || step.kind === 'finish') return [index];
    const patches = step.kind === 'baste' ? step.patches : [...step.left, ...step.right];
    return patches.some((patch) => own.has(patch)) ? [index] : [];
  });
}
