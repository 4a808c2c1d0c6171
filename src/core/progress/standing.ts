/** The patches that a step concerns: one unit when basting or sewing on, the two that a join puts together. */
export type StepUnits = readonly (readonly string[])[];

/** A step of a plan, or one that was done, with its patches by id. */
export interface StepOfPatches {
  readonly id: string;
  readonly kind: 'baste' | 'join' | 'applique' | 'finish';
  readonly units: StepUnits;
  /** What it is done with, as the sheet marks it. */
  readonly made?: string;
}

/** What lies on a maker's table, in whatever order it was sewn. */
export interface DoneWork {
  /** Units of two and more patches that hang together. */
  readonly units: readonly (readonly string[])[];
  readonly basted: ReadonlySet<string>;
}

/** How a maker's work stands to a plan. */
export interface Standing {
  /** Steps that are done though they were never ticked: the same patches were basted or joined in another way. */
  readonly covered: readonly string[];
  /** Whether an open join would have to take apart what is sewn: the plan must go round it. */
  readonly isAtOdds: boolean;
}

/** Puts together what steps that were done have made. Units that share a patch are one. */
export function doneWork(done: readonly StepOfPatches[]): DoneWork {
  const basted = new Set<string>();
  const unitOf = new Map<string, Set<string>>();
  for (const { kind, units } of done) {
    const patches = units.flat();
    for (const patch of patches) basted.add(patch);
    if (kind !== 'join') continue;
    const merged = new Set(patches);
    for (const patch of patches) for (const other of unitOf.get(patch) ?? []) merged.add(other);
    for (const patch of merged) unitOf.set(patch, merged);
  }
  return { units: [...new Set(unitOf.values())].map((unit) => [...unit]), basted };
}

/**
 * Compares a plan with what a maker has made by another one, so that work that is still good counts.
 * @param done ids of the steps of this plan that were ticked
 * Cost: linear in the sum of the units' sizes.
 */
export function standing(
  plan: readonly StepOfPatches[],
  done: ReadonlySet<string>,
  { units, basted }: DoneWork,
): Standing {
  const unitOf = new Map(units.flatMap((unit) => unit.map((patch) => [patch, unit] as const)));
  const covered: string[] = [];
  let isAtOdds = false;
  for (const step of plan) {
    if (done.has(step.id) || step.kind === 'applique' || step.kind === 'finish') continue;
    const patches = step.units.flat();
    const own = unitOf.get(patches[0] ?? '');
    const isCovered =
      step.kind === 'baste'
        ? patches.every((patch) => basted.has(patch))
        : own !== undefined && patches.every((patch) => unitOf.get(patch) === own);
    if (isCovered) covered.push(step.id);
    else if (step.kind === 'join') isAtOdds ||= step.units.some((unit) => isTakenApart(unit, unitOf));
  }
  return { covered, isAtOdds };
}

/** Whether a unit holds only a part of something that is sewn already. */
function isTakenApart(unit: readonly string[], unitOf: ReadonlyMap<string, readonly string[]>): boolean {
  const held = new Map<readonly string[], number>();
  for (const patch of unit) {
    const sewn = unitOf.get(patch);
    if (sewn) held.set(sewn, (held.get(sewn) ?? 0) + 1);
  }
  return [...held].some(([sewn, count]) => count < sewn.length);
}
