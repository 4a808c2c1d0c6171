import { expect, test } from 'vitest';
import { blockSheet } from '@/core/sheet';
import { rosette } from '@/core/testing';
import { standOf, type MakersBlock } from './useMakerBlock';

const sheet = blockSheet(rosette(1), { allowanceMm: 6.35, sparesPercent: 0, system: 'inch' });
const ids = sheet.steps.map(({ id }) => id);
const block = (done: readonly string[], covered: readonly string[] = []) =>
  ({ sheet, covered, progress: { done: new Set(done), stuck: new Set() } }) as unknown as MakersBlock;
const minutes = (some: readonly string[]) =>
  sheet.steps.filter(({ id }) => some.includes(id)).reduce((sum, step) => sum + step.minutes, 0);

test('the next step is the first that is neither ticked nor covered by older work; what follows leaves those out', () => {
  const stand = standOf(block([ids[0]!, ids[2]!], [ids[1]!]));
  expect(stand.next).toBe(3);
  expect(stand.step?.id).toBe(ids[3]);
  expect(stand.then.map(({ id }) => id)).toEqual(ids.slice(4));
  expect(stand.minutesLeft).toBeCloseTo(minutes(ids.slice(3)), 9);
  // Out of order: the one left behind is next, and what is done later is not said to follow.
  const behind = standOf(block([ids[0]!, ids[3]!]));
  expect([behind.next, behind.then.map(({ id }) => id)]).toEqual([1, [ids[2], ...ids.slice(4)]]);
});

test('what can be taken back is the last ticked step, never one that only counts by older work', () => {
  expect(standOf(block([ids[0]!, ids[2]!], [ids[4]!])).lastDone?.id).toBe(ids[2]);
  expect(standOf(block([], [ids[0]!])).lastDone).toBeUndefined();
});

test('a block that is sewn has no next step and nothing left', () => {
  expect(standOf(block(ids))).toMatchObject({ next: -1, step: undefined, then: [], minutesLeft: 0 });
});
