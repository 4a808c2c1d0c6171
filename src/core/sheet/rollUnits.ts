import { batchesOf } from './readiness';
import type { Step } from './step';

/** What is counted when a roll is called: alike pieces of work of a block, each with the steps that make it. */
export interface RollUnit {
  /** Id of its first step. */
  readonly key: string;
  /** “kinds wrapped” (papers of a kind, hand and cloth are one), “pair A”, “joins”. */
  readonly name: string;
  readonly each: readonly (readonly string[])[];
}

type Counted = Pick<Step, 'id' | 'kind'>;

const NAMES = { baste: 'kinds wrapped', join: 'joins', applique: 'sewn on', finish: 'finished' } as const;

/** The work of a block in its order: batches of alike units, and between them papers and joins one by one. */
export function rollUnits(steps: readonly Step[]): RollUnit[] {
  const batches = new Map(batchesOf(steps).map((batch) => [batch.from, batch]));
  const units: RollUnit[] = [];
  let alone: Step[] = [];
  const close = () => {
    units.push(...plainUnits(alone));
    alone = [];
  };
  for (let at = 0; at < steps.length;) {
    const batch = batches.get(at);
    if (!batch) {
      alone.push(steps[at] as Step);
      at += 1;
      continue;
    }
    close();
    const each = Array.from({ length: batch.count }, (_, copy) =>
      steps.slice(at + copy * batch.size, at + (copy + 1) * batch.size).map(({ id }) => id),
    );
    units.push({ key: each[0]?.[0] ?? '', name: batch.name, each });
    at += batch.count * batch.size;
  }
  close();
  return units;
}

/** Steps one by one, those of a kind that follow each other together. */
export function plainUnits(steps: readonly Counted[]): RollUnit[] {
  const units: { key: string; name: string; each: string[][] }[] = [];
  for (const { id, kind } of steps) {
    const last = units.at(-1);
    if (last && last.name === NAMES[kind]) last.each.push([id]);
    else units.push({ key: id, name: NAMES[kind], each: [[id]] });
  }
  return units;
}

/** How many of a unit are done: those all of whose steps are. */
export function doneOf({ each }: RollUnit, isDone: (stepId: string) => boolean): number {
  return each.filter((steps) => steps.every(isDone)).length;
}

/**
 * The ticks that make a count true: of the first so many what is open is done, of the others what is done is not.
 * Whichever are done already stay; only what is too many is taken back, from the end.
 */
export function ticksFor(unit: RollUnit, count: number, isDone: (stepId: string) => boolean): { stepId: string; kind: 'done' | 'undone' }[] {
  const isWhole = (steps: readonly string[]) => steps.every(isDone);
  const whole = doneOf(unit, isDone);
  if (count >= whole) {
    const open = unit.each.filter((steps) => !isWhole(steps)).slice(0, count - whole);
    return open.flat().filter((id) => !isDone(id)).map((stepId) => ({ stepId, kind: 'done' }));
  }
  const tooMany = unit.each.filter(isWhole).slice(count);
  return tooMany.flat().map((stepId) => ({ stepId, kind: 'undone' }));
} // prettier-ignore
