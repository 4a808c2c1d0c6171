import { expect, test } from 'vitest';
import { RECIPE_NAMES, defaultRecipe, documentOfRecipe, type RecipeKind } from '../generate';
import { patch, rosette, plannedSheet } from '../testing';
import { batchAt, waitsFor, type BasteStep, type Step } from '.';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 0, system: 'inch' } as const;
const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];
const batched = (kind: RecipeKind) => {
  const { patches, ...document } = documentOfRecipe(defaultRecipe(kind));
  return plannedSheet(patches, SETTINGS, undefined, {
    ...document,
    order: { school: 'best', isBatched: true },
  }).steps;
};
const doneUpTo = (steps: readonly Step[], index: number) => {
  const done = new Set(steps.slice(0, index).map(({ id }) => id));
  return (id: string) => done.has(id);
};

test('done in the order of the plan no step ever waits; with nothing done every join waits for what it is made of', () => {
  for (const kind of KINDS) {
    const steps = batched(kind);
    steps.forEach((step, index) => {
      expect(waitsFor(steps, index, doneUpTo(steps, index))).toBeUndefined();
      const first = waitsFor(steps, index, () => false);
      if (step.kind === 'baste') expect(first).toBeUndefined();
      else expect(first).toBeLessThan(index);
    });
  }
});

test('a step waits for the one that is missing, whatever else is done', () => {
  const { steps } = plannedSheet(rosette(1), SETTINGS);
  const last = steps.length - 1;
  const but = (missing: number) => (id: string) => id !== steps[missing]!.id;
  expect(waitsFor(steps, last, but(last - 1))).toBe(last - 1);
  expect(waitsFor(steps, last, but(last))).toBeUndefined();
  const baste = steps.findIndex((step) => step.kind === 'baste');
  const join = steps.findIndex((step) => step.kind === 'join' && [...step.left, ...step.right].some((one) => (steps[baste] as BasteStep).patches.includes(one)));
  expect(waitsFor(steps, join, but(baste))).toBe(baste);
  expect(waitsFor(steps, 99, () => false)).toBeUndefined();
}); // prettier-ignore

test('an appliqué waits for its background and for all its papers to be joined', () => {
  const cloth = patch(90, [[-120, -120], [120, -120], [120, 120], [-120, 120]]); // prettier-ignore
  const { steps } = plannedSheet([cloth, ...rosette(1).map((one) => ({ ...one, layer: 1 }))], SETTINGS);
  const last = steps.length - 1;
  expect(steps[last]?.kind).toBe('applique');
  expect(waitsFor(steps, last, () => false)).toBe(0);
  expect(waitsFor(steps, last, (id) => id !== steps[last - 1]!.id)).toBe(last - 1);
  expect(waitsFor(steps, last - 1, () => false)).toBeUndefined();
});

test('like units in a row are one batch, with how many; alone there is none', () => {
  let found = 0;
  for (const kind of KINDS) {
    const steps = batched(kind);
    steps.forEach((step, index) => {
      const batch = batchAt(steps, index);
      const letter = step.kind === 'join' ? step.repeat?.letter : undefined;
      if (!batch) return;
      found += 1;
      expect(batch.name).toMatch(new RegExp(`^(pair|unit) ${letter}$`));
      const own = steps.slice(batch.from, batch.from + batch.count);
      expect(own).toContain(step);
      expect(own.every((one) => one.kind === 'join' && one.repeat?.letter === letter)).toBe(true);
      expect(batch.count).toBeGreaterThan(1);
      expect(batchAt(steps, batch.from)).toEqual(batch);
      // Wished together, all copies stand in one batch.
      expect(batch.count).toBe(step.kind === 'join' ? step.repeat?.copies : 0);
    });
    expect(batchAt(steps, -1)).toBeUndefined();
  }
  expect(found).toBeGreaterThan(20);
});
