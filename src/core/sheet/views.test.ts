import { expect, test } from 'vitest';
import { importDrawing, planDocument } from '../formats';
import { RECIPE_NAMES, defaultRecipe, generate, type RecipeKind } from '../generate';
import { writeSvg } from '../formats';
import { minutesOf, summarise } from '.';
import { plannedSheet } from '../testing';

const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];
const settings = { allowanceMm: 6.35, sparesPercent: 0, system: 'inch' } as const;

test('pages and the plan document tell the same kinds, thread, minutes and clashes of a block', () => {
  for (const kind of KINDS) {
    const { patches, problems } = importDrawing(writeSvg(generate(defaultRecipe(kind)), kind));
    const [sheet, plan] = [plannedSheet(patches, settings), planDocument(patches, problems, settings)];
    expect(plan.kinds.map(({ id, name, count, left, right }) => ({ id, name, count, left, right }))).toEqual(
      sheet.kinds.map(({ id, name, count, left, right }) => ({ id, name, count, left, right })),
    );
    expect(plan.thread).toMatchObject({ stitches: sheet.thread.stitches, needlefuls: sheet.thread.needlefuls });
    expect(plan.thread.metres).toBeCloseTo(sheet.thread.metres, 5);
    expect(plan.minutes.joining).toBeCloseTo(minutesOf(sheet.steps, 'join'), 5);
    expect(plan.minutes.basting).toBeCloseTo(sheet.plan.bastingMinutes, 5);
    const ids = (numbers: readonly number[]) => numbers.map((number) => sheet.patches[number - 1]?.id);
    expect(plan.basting.clashes.map(({ patches: two }) => two)).toEqual(sheet.basting.clashes.map(({ patches: two }) => ids(two)));
    expect(plan.steps.map(({ id }) => id)).toEqual(sheet.steps.map(({ id }) => id));
  }
}); // prettier-ignore

test('a summary holds every step with its patches, and is a small part of the sheet', () => {
  const sheet = plannedSheet(generate(defaultRecipe('grid')), settings);
  const summary = summarise(sheet);
  expect(summary.steps.map(({ id, minutes, text }) => ({ id, minutes, text }))).toEqual(
    sheet.steps.map(({ id, minutes, text }) => ({ id, minutes, text })),
  );
  for (const { kind, units } of summary.steps) expect(units).toHaveLength(kind === 'join' ? 2 : 1);
  expect(summary.problems).toBe(sheet.problems.length + sheet.violations.length);
  expect(JSON.stringify(summary).length).toBeLessThan(0.35 * JSON.stringify(sheet).length);
});
