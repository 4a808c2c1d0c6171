import { expect, test } from 'vitest';
import { defaultRecipe, generate } from '../generate';
import { patch, rosette, plannedSheet } from '../testing';
import type { Ink } from './ink';
import { stepCards } from './stepCards';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 0, system: 'inch' } as const;
const inkOf = (patches: Parameters<typeof plannedSheet>[0]) =>
  stepCards('Block', plannedSheet(patches, SETTINGS), 'A4').pages.flatMap(({ ink }) => ink);
const dotted = (ink: readonly Ink[], strokeMm: number) =>
  ink.filter((one) => one.kind === 'line' && one.strokeMm === strokeMm && one.dashMm?.[0] === 0.1);

test('a card of basting numbers the folds, and a side that stays raw is dotted and has no number', () => {
  const square = patch(1, [[0, 0], [30, 0], [30, 30], [0, 30]]); // prettier-ignore
  const folds = (edges?: Record<number, 'raw'>) => {
    const ink = inkOf([edges ? { ...square, edges } : square]);
    const numbers = ink.flatMap((one) => (one.kind === 'text' && one.sizeMm === 2.3 ? [one.text] : []));
    return { numbers: numbers.sort(), dotted: dotted(ink, 0.5).length };
  };
  expect(folds()).toEqual({ numbers: ['1', '2', '3', '4'], dotted: 0 });
  expect(folds({ 2: 'raw' })).toEqual({ numbers: ['1', '2', '3'], dotted: 1 });
});

test('a paper of curves alone is pleated: no side of it has a number', () => {
  const disc = { ...patch(1, []), outline: { corners: [{ x: 0, y: 0 }, { x: 60, y: 0 }], bulges: [1, 1] } }; // prettier-ignore
  expect(inkOf([disc]).filter((one) => one.kind === 'text' && one.sizeMm === 2.3)).toEqual([]);
});

test('of a batch one paper carries the numbers; every slide of the thread is dotted on its card', () => {
  const patches = rosette(2);
  const ink = inkOf(patches);
  const { steps } = plannedSheet(patches, SETTINGS);
  const numbered = steps.filter(({ kind }) => kind === 'baste').length;
  expect(ink.filter((one) => one.kind === 'text' && one.sizeMm === 2.3)).toHaveLength(6 * numbered);
  const slides = steps.flatMap((step) =>
    step.kind === 'join' ? step.chains.flatMap((run) => run.slides) : [],
  );
  expect(slides.length).toBeGreaterThan(5);
  expect(dotted(ink, 0.5)).toHaveLength(slides.length);
});

test('a thread that goes on begins with a ring, a new one with a dot', () => {
  const joins = plannedSheet(generate(defaultRecipe('star')), SETTINGS).steps.flatMap((step) => (step.kind === 'join' ? step.chains : []));
  const starts = inkOf(generate(defaultRecipe('star'))).filter((one) => one.kind === 'dot' && one.radiusMm === 1.3);
  expect(starts.map((one) => one.kind === 'dot' && one.isFilled)).toEqual(joins.map(({ carriesOn }) => !carriesOn));
}); // prettier-ignore
