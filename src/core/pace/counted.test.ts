import { expect, test } from 'vitest';
import { DAY_MS, backTest, forecastGroup, type MakerHistory } from '.';

/** Makers as regular as a clock: what is said of them can be counted by hand. */
const BEGIN = Date.UTC(2026, 0, 5);
const day = (days: number) => BEGIN + days * DAY_MS;
const dayNumber = (time: number) => (time - BEGIN) / DAY_MS;

/** A hundred minutes on the sixth day of each of so many weeks. */
const saturdays = (id: string, weeks: number, left: number, minutes = 100): MakerHistory => ({
  id,
  since: day(0),
  left,
  work: Array.from({ length: weeks }, (_, week) => ({ at: day(7 * week + 5.5), minutes })),
});
const told = (makers: readonly MakerHistory[], now: number) => forecastGroup(makers, day(now));

test('who sews on Saturdays is done on a Saturday: the middle future after as many weeks as the work asks', () => {
  const date50 = (left: number) => dayNumber(told([saturdays('a', 20, left)], 140)[0]!.date50);
  // Less than the least of Saturdays: the next one. Three and a half of them: the fourth.
  expect([date50(30), date50(350)]).toEqual([145, 166]);
  for (const left of [30, 120, 350, 700]) expect(date50(left) % 7).toBe(5);
  expect(told([saturdays('a', 20, 350)], 140)[0]!.weekly).toBeCloseTo(100, -1);
});

test('what is so much that nobody lives to see it is five years off, and still a date', () => {
  const [never] = told([saturdays('a', 20, 1e6)], 140);
  expect(dayNumber(never!.date50)).toBe(140 + 7 * 260);
  // Somebody new with as good as nothing left is done within a week or two.
  const [soon] = told([{ id: 'n', since: day(0), left: 0.2, work: [] }], 1);
  expect(soon!.state).toBe('on-pace');
  expect(dayNumber(soon!.date80)).toBeLessThan(9);
});

test('done means that nothing is left, and not a minute sooner', () => {
  const state = (left: number) => told([saturdays('a', 3, left)], 21)[0]!.state;
  expect([state(0), state(1), state(0.01)]).toEqual(['done', 'on-pace', 'on-pace']);
  const [done] = told([saturdays('a', 3, 0)], 40);
  expect([done!.reason, dayNumber(done!.date50), dayNumber(done!.date80)]).toEqual([
    'Everything is sewn.',
    19,
    19,
  ]);
  // What lies ahead of today was not sewn yet.
  expect(dayNumber(told([saturdays('a', 9, 0)], 30)[0]!.date50)).toBe(26);
});

test('how little is known of a maker is said: no week, one, two; from three on it is their own', () => {
  const group = ['x', 'y', 'z'].map((id) => saturdays(id, 6, 400));
  const reason = (weeks: number) =>
    told([saturdays('me', weeks, 400), ...group], 7 * Math.max(1, weeks))[0]!.reason;
  expect(reason(0)).toMatch(/^No week with an entry yet, so the group’s pace is reckoned in: about /);
  expect(reason(1)).toMatch(/^Only 1 week with entries so far, so the group’s pace/);
  expect(reason(2)).toMatch(/^Only 2 weeks with entries so far/);
  expect(reason(3)).toMatch(/^About 1 h \d+ min a week; 6 h 40 min of work left\.$/);
});

test('ahead is only who is one of three or more that still sew, and done before their middle', () => {
  const others = (left: number) => ['x', 'y'].map((id) => saturdays(id, 10, left));
  const state = (rest: readonly MakerHistory[]) => told([saturdays('me', 10, 100), ...rest], 70)[0]!.state;
  expect(state(others(5000))).toBe('ahead');
  // Of two nobody is the middle; and who is done does not count.
  expect(state(others(5000).slice(1))).toBe('on-pace');
  expect(state([saturdays('x', 10, 5000), saturdays('y', 10, 0)])).toBe('on-pace');
  expect(state(others(90))).toBe('on-pace');
});

test('silence counts from the last entry; before fifteen days nobody is stalled', () => {
  const state = (now: number) => told([saturdays('a', 4, 400)], now)[0]!;
  // The last entry is on day 26.5.
  expect(state(41.4).state).not.toBe('stalled');
  // Once a week: three times that have to pass.
  expect(state(47.4).state).not.toBe('stalled');
  expect(state(47.6)).toMatchObject({
    state: 'stalled',
    reason: 'No entry for 21 days (since Sat 31 Jan 2026); usually 7 days between entries.',
  });
  // The day is the shop's: noon in London is the next day in Auckland.
  const since = (zone: string) => forecastGroup([saturdays('a', 4, 400)], day(47.6), [], zone)[0]!.reason;
  expect(since('Pacific/Auckland')).toMatch(/^No entry for 21 days \(since Sun 1 Feb 2026\);/);
  expect(since('America/New_York')).toMatch(/^No entry for 21 days \(since Sat 31 Jan 2026\);/);
  const never = { id: 'n', since: day(0), left: 400, work: [] };
  expect(told([never], 21)[0]!.state).toBe('on-pace');
  expect(told([never], 22)[0]).toMatchObject({
    state: 'stalled',
    reason: 'No entry in 22 days since the start.',
  });
});

test('looking back: every fortnight each maker who has sewn is asked once, if the date has come', () => {
  // Regular hands keep every date; the last question whose three weeks are over is that of the fortnight before.
  const one = backTest([saturdays('a', 20, 400)], day(140));
  expect(one).toEqual({ asked: 8, held: 8 });
  const two = backTest([saturdays('a', 20, 400), saturdays('b', 20, 400)], day(140));
  expect(two).toEqual({ asked: 2 * one.asked, held: 2 * one.held });
  // Who came and sewed nothing is never asked; who is done has kept all dates.
  expect(backTest([saturdays('a', 20, 400), { id: 'n', since: day(0), left: 100, work: [] }], day(140))).toEqual(one);
  const stopped = saturdays('s', 10, 400);
  const half = backTest([stopped], day(112));
  expect(half.held).toBeLessThan(half.asked);
  expect(backTest([{ ...stopped, left: 0 }], day(112)).held).toBe(half.asked);
  expect(backTest([saturdays('a', 3, 400)], day(27))).toEqual({ asked: 0, held: 0 });
}); // prettier-ignore
