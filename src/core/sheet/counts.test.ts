import { expect, test } from 'vitest';
import { defaultRecipe, documentOfRecipe } from '../generate';
import { plannedSheet } from '../testing';
import { aheadOf, batchesOf, doneOf, plainUnits, rollUnits, ticksFor, type Step } from '.';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 10, system: 'inch' } as const;
const { steps } = plannedSheet(documentOfRecipe(defaultRecipe('rosette')).patches, SETTINGS);
const isNone = () => false;

test('units of a roll take every step once, in its order; batches keep their names and counts', () => {
  const units = rollUnits(steps);
  expect(units.flatMap(({ each }) => each.flat())).toEqual(steps.map(({ id }) => id));
  for (const batch of batchesOf(steps))
    expect(units).toContainEqual(expect.objectContaining({ name: batch.name, key: steps[batch.from]?.id }));
  expect(units.map(({ key }) => key)).toEqual(units.map(({ each }) => each[0]?.[0]));
});

test('a count is made true with the fewest ticks: what is done stays, what is too many goes from the end', () => {
  const [unit] = plainUnits(['a', 'b', 'c', 'd'].map((id) => ({ id, kind: 'join' as const })));
  const done = new Set(['b', 'd']);
  const isDone = (id: string) => done.has(id);
  expect(doneOf(unit!, isDone)).toBe(2);
  expect(ticksFor(unit!, 3, isDone)).toEqual([{ stepId: 'a', kind: 'done' }]);
  expect(ticksFor(unit!, 2, isDone)).toEqual([]);
  expect(ticksFor(unit!, 1, isDone)).toEqual([{ stepId: 'd', kind: 'undone' }]);
  expect(ticksFor(unit!, 4, isDone).map(({ stepId }) => stepId)).toEqual(['a', 'c']);
  // Half of a unit counts for nothing, and is only completed.
  const pair = {
    key: 'x',
    name: 'pair A',
    each: [
      ['a', 'b'],
      ['c', 'd'],
    ],
  };
  expect(doneOf(pair, isDone)).toBe(0);
  expect(ticksFor(pair, 1, isDone)).toEqual([{ stepId: 'a', kind: 'done' }]);
});

test('what fits into an hour: the next open steps, never none, with their papers, seam and minutes', () => {
  const hour = aheadOf(steps, isNone, 60);
  expect(hour.minutes).toBeLessThanOrEqual(60);
  expect(hour.steps).toEqual(steps.slice(0, hour.steps.length));
  expect(hour.minutes + steps[hour.steps.length]!.minutes).toBeGreaterThan(60);
  expect(aheadOf(steps, isNone, 0).steps).toHaveLength(1);
  const all = aheadOf(steps, isNone, Infinity);
  expect(all.papers).toBe(steps.reduce((sum, step) => sum + (step.kind === 'baste' ? step.patches.length : 0), 0));
  expect(all.seamMm).toBeCloseTo(steps.reduce((sum, step) => sum + (step.kind === 'join' ? step.lengthMm : 0), 0), 6);
  // What wants a table and an iron is counted, but not as what can be taken along.
  const ironed = aheadOf([...steps, { ...steps[0]!, id: 'press', kind: 'finish', minutes: 7 } as unknown as Step], isNone, Infinity);
  expect(ironed.minutes).toBeCloseTo(all.minutes + 7, 6);
  expect([all.portableMinutes, ironed.portableMinutes].map((minutes) => minutes.toFixed(6))).toEqual(Array(2).fill(all.minutes.toFixed(6)));
}); // prettier-ignore
