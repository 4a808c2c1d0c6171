import { expect, test } from 'vitest';
import { RECIPE_NAMES, defaultRecipe, documentOfRecipe, generate, type RecipeKind } from '../generate';
import { plannedSheet } from '../testing';
import { innerBags, sayInnerLine, type InnerLine } from '.';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' } as const;
const sum = (lines: readonly InnerLine[], is: (line: InnerLine) => boolean = () => true) => lines.reduce((total, line) => total + (is(line) ? line.count : 0), 0); // prettier-ignore

test.each(Object.keys(RECIPE_NAMES) as RecipeKind[])(
  '%s: every paper and every piece of cloth lies in exactly one inner bag or in the rest, with its hand',
  (kind) => {
    const { patches, ...document } = documentOfRecipe(defaultRecipe(kind));
    const sheet = plannedSheet(generate(defaultRecipe(kind)), SETTINGS, undefined, document);
    expect(sheet.patches).toHaveLength(patches.length);
    const { units, rest, spares } = innerBags(sheet);
    const all = [...units.flatMap(({ copies, lines }) => lines.map((line) => ({ ...line, count: copies * line.count }))), ...rest]; // prettier-ignore
    for (const { name, count, left, right, spares: more } of sheet.bag.papers) {
      const is = (line: InnerLine) => line.kindName === name;
      expect([name, sum(all, is)]).toEqual([name, count]);
      expect(sum(all, (line) => is(line) && line.hand === 'L')).toBe(left);
      expect(sum(all, (line) => is(line) && line.hand === 'R')).toBe(right);
      expect(spares.find(({ kindName }) => kindName === name)?.count ?? 0).toBe(more);
    }
    for (const { fabric, cuts } of sheet.bag.fabrics) {
      const pieces = cuts.reduce((total, cut) => total + (cut.kindName === 'the background' ? 0 : cut.count), 0); // prettier-ignore
      expect([fabric, sum(all, (line) => line.fabric === fabric)]).toEqual([fabric, pieces]);
    }
    for (const { copies, lines } of units) {
      expect(copies).toBeGreaterThan(1);
      expect(sum(lines)).toBeGreaterThan(2);
    }
  },
);

test('six wedges come in six bags, not in two halves, by the name that the steps call them; pairs are no bag of their own', () => {
  const sheet = plannedSheet(generate(defaultRecipe('beams')), SETTINGS);
  const { units, rest } = innerBags(sheet);
  const [wedge] = units;
  expect([wedge?.copies, sum(wedge?.lines ?? [])]).toEqual([6, 6]);
  expect(sheet.steps.some((step) => step.kind === 'join' && step.alike === wedge?.name)).toBe(true);
  expect(wedge?.lines.map(sayInnerLine)).toContain('1 × 2½″ kite, 76.5°/93° in Dark');
  expect(sum(rest)).toBe(sheet.patches.length - 36);
  // Rows are called by their own names, as the steps call them.
  const rows = plannedSheet(generate(defaultRecipe('grid')), SETTINGS);
  for (const { name } of innerBags(rows).units) {
    const called = /^unit \((.*)\)$/.exec(name)?.[1]?.split(', ') ?? [];
    expect(called.length).toBeGreaterThan(1);
    for (const one of called.filter((part) => !part.startsWith('the piece with'))) expect(rows.steps.some(({ text }) => text.includes(` ${one}`))).toBe(true);
    expect(called.some((part) => part.startsWith('row '))).toBe(true);
  }
  for (const pairs of ['star', 'plate', 'rosette'] as const) expect(innerBags(plannedSheet(generate(defaultRecipe(pairs)), SETTINGS)).units).toEqual([]);
}); // prettier-ignore
