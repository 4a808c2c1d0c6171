import { expect, test } from 'vitest';
import type { PaceState } from '@/core/pace';
import type { BlockProgress } from '@/server/progress';
import { PLAIN_MAKER } from '@/ui/testing';
import { FIRST_CHOICE, NONE, minutesLeft, shareOf, wallLines, type WallChoice } from './wallView';

const maker = (id: string, name: string, more: object = {}) => ({ id, name, hasLink: true, skips: [] as string[], ...PLAIN_MAKER, ...more }); // prettier-ignore
const entry = (makerId: string, blockId: string, doneMinutes: number, more: Partial<BlockProgress> = {}): BlockProgress => ({
  makerId, blockId, done: doneMinutes, total: 60, doneMinutes, totalMinutes: 60, covered: 0, isOwnOrder: false, orphaned: 0, ...more,
}); // prettier-ignore
const keeps = (id: string, state: PaceState) => ({ id, state, reason: '' });

const FACTS = {
  makers: [maker('d', 'Dot'), maker('a', 'Ada', { groupId: 'g' }), maker('c', 'Cy', { skips: ['y'] }), maker('b', 'Bo', { isPaused: true, groupId: 'g' })], // prettier-ignore
  blocks: [{ id: 'x' }, { id: 'y' }],
  progress: [
    entry('a', 'x', 60, { lastAt: '2026-03-05' }),
    entry('a', 'y', 10, { lastAt: '2026-03-01' }),
    entry('b', 'x', 30, { lastAt: '2026-02-01' }),
    entry('c', 'x', 20, { lastAt: '2026-03-02', stuckOn: 's' }),
    entry('d', 'x', 0),
    entry('d', 'y', 5, { lastAt: '2026-03-04' }),
  ],
  keeping: [keeps('a', 'ahead'), keeps('b', 'stalled'), keeps('c', 'on-pace'), keeps('d', 'slipping')],
  handed: new Set(['a/x', 'a/y', 'b/x', 'b/y', 'c/x', 'd/x']),
};
const names = (choice: Partial<WallChoice> = {}, facts = FACTS) =>
  wallLines(facts, { ...FIRST_CHOICE, ...choice }).map((line) => line.maker.name);

test('the wall shows who is asked for: by group, behind and not pausing, stuck, without a bag, pausing', () => {
  expect(names()).toEqual(['Ada', 'Bo', 'Cy', 'Dot']);
  expect(names({ group: 'g' })).toEqual(['Ada', 'Bo']);
  expect(names({ group: NONE })).toEqual(['Cy', 'Dot']);
  expect(names({ show: 'behind' })).toEqual(['Dot']);
  expect(names({ show: 'stuck' })).toEqual(['Cy']);
  expect(names({ show: 'bag' })).toEqual(['Dot']);
  expect(names({ show: 'paused' })).toEqual(['Bo']);
  const stalled = { ...FACTS, keeping: [keeps('a', 'stalled')] };
  expect(names({ show: 'behind' }, stalled)).toEqual(['Ada']);
});

test('the wall is sorted by minutes left, by who was heard of last, by who wants a look; equals by name', () => {
  // Left: Dot 115, Ada 50, Cy 40, Bo 30.
  expect(names({ sort: 'left' })).toEqual(['Dot', 'Ada', 'Cy', 'Bo']);
  expect(names({ sort: 'quiet' })).toEqual(['Bo', 'Cy', 'Dot', 'Ada']);
  expect(names({ sort: 'state' })).toEqual(['Cy', 'Bo', 'Dot', 'Ada']);
  const unheard = { ...FACTS, progress: [entry('a', 'x', 1, { lastAt: '2026-01-01' })] };
  expect(names({ sort: 'quiet' }, unheard)).toEqual(['Bo', 'Cy', 'Dot', 'Ada']);
  // Of whom nothing is known yet counts as on pace.
  const unknown = { ...FACTS, progress: [], keeping: [keeps('a', 'ahead'), keeps('b', 'slipping')] };
  expect(names({ sort: 'state' }, unknown)).toEqual(['Bo', 'Cy', 'Dot', 'Ada']);
});

test('a line has its blocks in the wall’s order, and whose bag is not there yet; minutes and shares are of what is shown', () => {
  const lines = wallLines(FACTS, FIRST_CHOICE);
  const [ada, , cy, dot] = lines;
  expect(ada?.own.map((own) => own?.doneMinutes)).toEqual([60, 10]);
  expect(cy?.own.map((own) => own?.doneMinutes)).toEqual([20, undefined]);
  expect([cy?.bagless, dot?.bagless]).toEqual([[], ['y']]);
  expect([ada, cy].map((line) => minutesLeft(line!))).toEqual([50, 40]);
  expect(shareOf(lines, new Set(['y']))).toBeCloseTo(15 / 120, 9);
  expect(shareOf(lines, new Set(['x', 'y']))).toBeCloseTo(125 / 360, 9);
  expect(shareOf(lines, new Set(['z']))).toBe(0);
});
