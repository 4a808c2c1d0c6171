import fc from 'fast-check';
import { expect, test } from 'vitest';
import { DAY_MS, backTest, forecastGroup, sewingClock, type MakerHistory } from '.';

const BEGIN = Date.UTC(2026, 0, 5);
const day = (days: number) => BEGIN + days * DAY_MS;
const days = (from: number, to: number) => ({ from: day(from), to: day(to) });

test('the clock stands still in free time and goes on behind it', () => {
  const clock = sewingClock([days(20, 30), days(10, 15), days(14, 16), days(40, 40)]);
  const shows = [9, 10, 12, 16, 18, 25, 30, 50].map((at) => (clock.at(day(at)) - BEGIN) / DAY_MS);
  expect(shows).toEqual([9, 10, 10, 10, 12, 14, 14, 34]);
  expect([9, 10, 12, 14, 34].map((at) => (clock.momentOf(day(at)) - BEGIN) / DAY_MS)).toEqual([9, 16, 18, 30, 50]);
  const some = fc.array(fc.tuple(fc.nat(300), fc.nat(30)).map(([from, long]) => days(from, from + long)), { maxLength: 6 });
  fc.assert(
    fc.property(some, fc.nat(4000), (free, tenths) => {
      const own = sewingClock(free);
      const time = day(tenths / 10);
      const isFree = free.some(({ from, to }) => from <= time && time < to);
      expect(own.at(own.momentOf(own.at(time)))).toBeCloseTo(own.at(time), 3);
      if (!isFree) expect(own.momentOf(own.at(time))).toBeCloseTo(time, 3);
      expect(own.momentOf(own.at(time))).toBeGreaterThanOrEqual(time - 1e-3);
    }),
  );
}); // prettier-ignore

/** Sews an hour on two days of each week up to a day, but for some days. */
const steady = (id: string, until: number, but = days(0, 0), left = 600): MakerHistory => ({
  id,
  since: day(0),
  left,
  work: Array.from({ length: 40 }, (_, half) => day(3.5 * half + 1))
    .filter((at) => at < day(until) && !(at >= but.from && at < but.to))
    .map((at) => ({ at, minutes: 60 })),
});

test('dates behind a holiday come so much later, those before it as they were', () => {
  const makers = ['a', 'b', 'c', 'd'].map((id) => steady(id, 56));
  const plain = forecastGroup(makers, day(56));
  const behind = forecastGroup(makers, day(56), [days(60, 74)]);
  const far = forecastGroup(makers, day(56), [days(300, 314)]);
  expect(far).toEqual(plain);
  plain.forEach(({ date50, date80 }, index) => {
    expect(date50).toBeGreaterThan(day(74));
    expect((behind[index]!.date50 - date50) / DAY_MS).toBe(14);
    expect((behind[index]!.date80 - date80) / DAY_MS).toBe(14);
  });
  const done = { ...steady('e', 56), left: 0 };
  expect(forecastGroup([done], day(90), [days(55, 80)])[0]).toMatchObject({ state: 'done', date50: day(53) });
});

test('who is silent through a holiday is not stalled, and their pace is that of the other weeks', () => {
  const closed = days(42, 70);
  const makers = ['a', 'b', 'c'].map((id) => steady(id, 72, closed));
  expect(forecastGroup(makers, day(72)).map(({ state }) => state)).not.toContain('on-pace');
  const known = forecastGroup(makers, day(72), [closed]);
  const never = forecastGroup(makers.map(({ id }) => steady(id, 44)), day(44)); // prettier-ignore
  expect(known.map(({ state, weekly }) => [state, Math.round(weekly)])).toEqual(never.map(({ state, weekly }) => [state, Math.round(weekly)])); // prettier-ignore
  expect(backTest(makers, day(72), [closed]).held).toBe(backTest(makers, day(72), [closed]).asked);
});
