import { expect, test } from 'vitest';
import { RECIPE_NAMES, defaultRecipe, documentOfRecipe, generate, type RecipeKind } from '../generate';
import { patch, rosette, plannedSheet } from '../testing';
import { batchAt, batchesOf, waitsFor, type BasteStep, type Step } from '.';

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

test('like units one after another are one batch, however many steps each takes; alone there is none', () => {
  let [found, long] = [0, 0];
  for (const kind of KINDS)
    for (const steps of [
      batched(kind),
      plannedSheet(generate(defaultRecipe(kind)), SETTINGS, undefined, {
        order: { school: 'figures', isBatched: false },
      }).steps,
    ]) {
      const batches = batchesOf(steps);
      for (const { from, count, size, name } of batches) {
        found += 1;
        if (size > 1) long += 1;
        expect(count).toBeGreaterThan(1);
        for (let copy = 0; copy < count; copy++) {
          const own = steps.slice(from + copy * size, from + (copy + 1) * size);
          const last = own.at(-1);
          expect(last?.kind === 'join' && last.alike).toBe(name);
          const whole = last?.kind === 'join' ? [...last.left, ...last.right] : [];
          for (const step of own)
            expect(
              step.kind === 'join' && [...step.left, ...step.right].every((one) => whole.includes(one)),
            ).toBe(true);
        }
      }
      steps.forEach((_, index) => {
        const own = batches.filter(({ from, count, size }) => index >= from && index < from + count * size);
        expect(own.length).toBeLessThanOrEqual(1);
        expect(batchAt(steps, index)).toEqual(own[0]);
      });
      expect(batchAt(steps, -1)).toBeUndefined();
    }
  expect([found > 12, long > 0]).toEqual([true, true]);
});

test('kites with four wings each, one after another, are so many things to make and not four times as many', () => {
  const { steps } = plannedSheet(generate(defaultRecipe('beams')), SETTINGS, undefined, { order: { school: 'figures', isBatched: false } }); // prettier-ignore
  const kites = batchesOf(steps).filter(({ name }) => /^(winged kite|wedge) [A-Z]$/.test(name));
  expect(kites.length).toBeGreaterThan(0);
  for (const { size } of kites) expect([4, 5]).toContain(size);
});
