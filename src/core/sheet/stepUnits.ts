import type { OrderChoices } from '../block';
import type { DoneWork, StepOfPatches } from '../progress';
import type { SheetPatch } from './blockSheet';
import type { Step } from './step';

/** A step with its patches by id, as progress records it. */
export function withUnits(step: Step, patches: readonly Pick<SheetPatch, 'id'>[]): StepOfPatches {
  const ids = (unit: readonly number[]) => unit.map((patch) => patches[patch]?.id as string);
  const units = step.kind === 'join' ? [ids(step.left), ids(step.right)] : [ids(step.patches)];
  return { id: step.id, kind: step.kind, units, ...(step.made ? { made: step.made } : {}) };
}

/** The host's order led round what a maker has sewn already: those units are kept, whatever else was wished. */
export function roundWork(order: OrderChoices | undefined, { units }: DoneWork): OrderChoices {
  const { pins = [], ...rest } = order ?? { school: 'best' };
  return { ...rest, pins: [...units.map((patches) => ({ patches: [...patches].sort() })), ...pins] };
}
