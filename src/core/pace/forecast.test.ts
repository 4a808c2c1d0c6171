import { expect, test } from 'vitest';
import {
  BEHAVIOURS,
  fingerprint,
  pacedTime,
  simulatedGroup,
  type Behaviour,
  type SimulatedMaker,
} from '../testing';
import { DAY_MS, backTest, forecastGroup, type Forecast, type MakerHistory } from '.';

const BEGIN = Date.UTC(2026, 0, 5);
const time = (day: number) => BEGIN + day * DAY_MS;
const historyOf = ({ id, since, left, work }: SimulatedMaker): MakerHistory => ({ id, since: time(since), left, work: work.map(({ day, minutes }) => ({ at: time(day), minutes })) }); // prettier-ignore

interface Turned {
  readonly behaviour: Behaviour;
  readonly forecast: Forecast;
  readonly held50: boolean;
  readonly held80: boolean;
  /** How far the date at 80 % lies, as a share of the true distance. */
  readonly distance: number;
}

/** Groups of all behaviours, looked at after 4 to 21 weeks, and how their forecasts turned out. */
function simulate(seeds: readonly number[]): Turned[] {
  return seeds.flatMap((seed) => {
    const now = [28, 56, 84, 112, 150][seed % 5]!;
    const group = simulatedGroup(seed, 21, now);
    return forecastGroup(group.map(historyOf), time(now)).map((forecast, index): Turned => {
      const { behaviour, finish = Infinity } = group[index]!;
      const holds = (date: number) => time(finish) < date + DAY_MS;
      const distance = (forecast.date80 - time(now)) / (time(finish) - time(now));
      return {
        behaviour,
        forecast,
        held50: holds(forecast.date50),
        held80: holds(forecast.date80),
        distance,
      };
    });
  });
}

const share = (list: readonly Turned[], holds: (one: Turned) => boolean) =>
  list.filter(holds).length / list.length;

test('of many dates as many hold as are said to, for makers of every kind; who stopped is seen', () => {
  const turned = simulate(Array.from({ length: 60 }, (_, seed) => 7000 + seed));
  const going = turned.filter(({ behaviour }) => behaviour !== 'stopped');
  expect(share(going, ({ held80 }) => held80)).toBeGreaterThan(0.75);
  expect(share(going, ({ held80 }) => held80)).toBeLessThan(0.85);
  expect(share(going, ({ held50 }) => held50)).toBeGreaterThan(0.4);
  expect(share(going, ({ held50 }) => held50)).toBeLessThan(0.6);
  expect(going.map(({ distance }) => distance).sort((a, b) => a - b)[going.length / 2]).toBeLessThan(1.9);
  for (const kind of BEHAVIOURS.filter((one) => one !== 'stopped'))
    expect(share(going.filter(({ behaviour }) => behaviour === kind), ({ held80 }) => held80), kind).toBeGreaterThan(0.6); // prettier-ignore
  const isStalled = ({ forecast }: Turned) => forecast.state === 'stalled';
  expect(share(turned.filter(({ behaviour }) => behaviour === 'stopped'), isStalled)).toBeGreaterThan(0.85); // prettier-ignore
  expect(share(going, isStalled)).toBeLessThan(0.05);
});

const weekly = (id: string, weeks: readonly number[], left = 400): MakerHistory => ({
  id,
  since: time(0),
  left,
  work: weeks.flatMap((minutes, week) => (minutes === 0 ? [] : [{ at: time(7 * week + 2.8), minutes }, { at: time(7 * week + 5.6), minutes }])),
}); // prettier-ignore
const stateAfter = (weeks: readonly number[], others: readonly MakerHistory[] = []) =>
  forecastGroup([weekly('me', weeks), ...others], time(7 * weeks.length))[0]!;

test('one missed week changes no state; a hand that slows down is seen; silence is', () => {
  const full = [50, 45, 55, 50, 48, 52, 50, 51];
  expect(stateAfter([...full, 50]).state).toBe('on-pace');
  expect(stateAfter([...full, 0]).state).toBe('on-pace');
  expect(stateAfter([...full, 0, 0])).toMatchObject({ state: 'stalled', reason: 'No entry for 15 days (since Sat 28 Feb 2026); usually 3 days between entries.' }); // prettier-ignore
  const slowing = stateAfter([60, 55, 52, 46, 41, 38, 33, 30, 26, 24, 20]);
  expect(slowing.state).toBe('slipping');
  expect(slowing.reason).toMatch(
    /^About \d+ min a week now, [\dh min]+ 11 weeks ago; 6 h 40 min of work left\.$/,
  );
  // Not half of what all weeks together would say.
  expect(slowing.weekly).toBeLessThan(55);
  expect(slowing.date80).toBeGreaterThan(stateAfter(Array(11).fill(39)).date80);
});

test('who is done well before the middle of the group is ahead; who has begun just now is reckoned by the group', () => {
  const others = ['a', 'b', 'c'].map((id) => weekly(id, Array(8).fill(50), 2000));
  expect(stateAfter(Array(8).fill(50), others).state).toBe('ahead');
  const late = { id: 'late', since: time(49), left: 1000, work: [{ at: time(55), minutes: 20 }] };
  const [forecast] = forecastGroup([late, ...others], time(56));
  // Twenty minutes in the first week, a hundred a week in the group: nearer to the group, and said so.
  expect(forecast!.weekly).toBeGreaterThan(45);
  expect(forecast!.reason).toContain('the group’s pace is reckoned in');
});

test('a group that has not begun has dates as well; who is done keeps the day of the last entry', () => {
  const [forecast] = forecastGroup([{ id: 'new', since: time(10), left: 240, work: [] }], time(3));
  expect(forecast).toMatchObject({ state: 'on-pace' });
  // Two hours a week from their begin on, not from today.
  expect(forecast!.date50).toBeGreaterThan(time(17));
  expect(forecast!.date80).toBeGreaterThan(forecast!.date50);
  const [done] = forecastGroup([{ ...weekly('x', [50, 50]), left: 0 }], time(40));
  expect(done).toMatchObject({ state: 'done', date50: time(12), date80: time(12) });
});

test('more to sew, or less of a pace, never comes earlier; others in the group do not move dates of who has a long history', () => {
  const history = (left: number, minutes: number) => weekly('me', Array(12).fill(minutes), left);
  const date = (left: number, minutes: number, others: readonly MakerHistory[] = []) => forecastGroup([history(left, minutes), ...others], time(84))[0]!.date80;
  const lefts = [50, 100, 300, 900, 2700].map((left) => date(left, 50));
  expect(lefts).toEqual([...lefts].sort((a, b) => a - b));
  expect(date(900, 25)).toBeGreaterThan(date(900, 50));
  const alone = date(900, 50);
  const beside = date(900, 50, [weekly('slow', Array(12).fill(10)), weekly('quick', Array(12).fill(200))]);
  expect(Math.abs(beside - alone) / (alone - time(84))).toBeLessThan(0.2);
}); // prettier-ignore

test('the back-test asks what was known then, counts only dates that have come, and finds about eight in ten to hold', () => {
  let [asked, held] = [0, 0];
  for (const seed of [1, 2, 3, 4, 5, 6]) {
    const group = simulatedGroup(seed, 14, 150).filter(({ behaviour }) => behaviour !== 'stopped');
    const found = backTest(group.map(historyOf), time(150));
    [asked, held] = [asked + found.asked, held + found.held];
  }
  expect(asked).toBeGreaterThan(200);
  expect(held / asked).toBeGreaterThan(0.65);
  expect(held / asked).toBeLessThan(0.9);
  expect(backTest([weekly('me', [50])], time(7))).toEqual({ asked: 0, held: 0 });
});

test('three hundred makers take less than two seconds', async () => {
  const group = simulatedGroup(5, 300, 84).map(historyOf);
  expect(await pacedTime(() => forecastGroup(group, time(84)), () => performance.now())).toBeLessThan(2000); // prettier-ignore
});

test.each([
  [1, '4e59e8f2'],
  [2, 'e9055b82'],
  [3, 'e32b12ee'],
] as const)('who has been told a date finds it again while nothing new is known: group %i', (seed, told) => {
  const now = [35, 63, 120][seed - 1]!;
  const histories = simulatedGroup(400 + seed, 14, now).map(historyOf);
  const free = [{ from: time(now + 10), to: time(now + 17) }];
  const dates = [forecastGroup(histories, time(now)), forecastGroup(histories, time(now), free), backTest(histories, time(now))];
  expect(fingerprint(dates)).toBe(told);
}); // prettier-ignore
