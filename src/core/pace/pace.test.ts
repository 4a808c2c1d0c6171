import { expect, test } from 'vitest';
import { seededRandom } from '../testing';
import { beliefsOf, likeliest } from './beliefs';
import { playFutures, type Belief } from './finish';
import { fitPace, groupPace, upToLastEntry, type GroupPace, type Pace } from './pace';
import { DAY_MS, silences, weeksOf, type MakerHistory, type Week } from './weeks';

const NOW = Date.UTC(2026, 2, 2);
const ago = (days: number) => NOW - days * DAY_MS;
const history = (since: number, ...days: (readonly [number, number])[]): MakerHistory => ({ id: 'a', since: ago(since), left: 100, work: days.map(([day, minutes]) => ({ at: ago(day), minutes })) }); // prettier-ignore
const weekOf = (at: number, minutes: number): Week => ({ at, minutes, sittings: minutes > 0 ? [{ day: 3, minutes }] : [] }); // prettier-ignore
const weeks = (...minutes: number[]) =>
  minutes.map((one, index) => weekOf(index - minutes.length + 0.5, one));
const GROUP: GroupPace = { level: Math.log(100), levelVariance: 0.2, lumpiness: 20 };

test('weeks go back from now: days over at the begin, and what lies ahead, belong to none', () => {
  const found = weeksOf(history(17, [16.5, 9], [13.9, 10], [7.1, 20], [6.9, 30], [0, 40], [-3, 99]), NOW);
  expect(found.map(({ at, minutes }) => [at, minutes])).toEqual([[-1.5, 30], [-0.5, 70]]); // prettier-ignore
  expect(found[1]!.sittings.map(({ day, minutes }) => [Math.round(day * 10) / 10, minutes])).toEqual([[0.1, 30], [7, 40]]); // prettier-ignore
  expect(weeksOf(history(6, [1, 5]), NOW)).toEqual([]);
  // Two years are enough.
  expect(weeksOf(history(2000), NOW)).toHaveLength(104);
});

test('silences: between days with an entry, however many a day has; since the begin where there is none', () => {
  const found = silences(history(30, [20, 1], [19.9, 1], [18, 1], [9, 1], [-5, 1]), NOW);
  expect(found.between).toEqual([2, 9]);
  expect(found.now).toBeCloseTo(9, 9);
  expect(silences(history(30), NOW)).toEqual({ between: [], now: 30 });
});

test('a group is told from its makers up to their last entries; one that has not begun is taken to sew two hours a week', () => {
  expect(groupPace([[], weeks(0, 0, 0)])).toMatchObject({ level: Math.log(120) });
  const alike = groupPace([
    weeks(100, 100, 100, 100),
    weeks(100, 100, 100, 0, 0, 0),
    weeks(100, 100, 100, 100),
  ]);
  // Evenly as they sew, half the variance of a mean is added: 8 ÷ 400 ÷ 2 and a little more for the shorter one.
  expect(Math.exp(alike.level)).toBeCloseTo(101, 0);
  const apart = groupPace([weeks(50, 50, 50, 50), weeks(100, 100, 100, 100), weeks(200, 200, 200, 200)]);
  expect(apart.levelVariance).toBeGreaterThan(alike.levelVariance + 0.2);
  // Who sews every third week sews in lumps.
  expect(groupPace([weeks(300, 0, 0, 300, 0, 0, 300, 0, 0, 300)]).lumpiness).toBeGreaterThan(
    10 * alike.lumpiness,
  );
  expect(upToLastEntry(weeks(1, 0, 2, 0, 0)).map(({ minutes }) => minutes)).toEqual([1, 0, 2]);
});

/** How probable a pace is by the weeks and by what was believed before, a logarithm; written out anew. */
function posterior(level: number, drift: number, own: readonly Week[], belief: { mean: number; variance: number }, { lumpiness }: Pace): number {
  const middle = -own.length / 2;
  const before = (level + drift * middle - GROUP.level) ** 2 / GROUP.levelVariance + (drift - belief.mean) ** 2 / belief.variance;
  return own.reduce((sum, { at, minutes }) => sum + (minutes * (level + drift * at) - Math.exp(level + drift * at)) / lumpiness, -before / 2);
} // prettier-ignore

test('the fitted pace is the most probable one: no level and drift near it are more so; its spread is that of the top', () => {
  const belief = { mean: -0.05, variance: 0.03 ** 2 };
  const random = seededRandom(4);
  for (let round = 0; round < 30; round++) {
    const own = weeks(
      ...Array.from({ length: 1 + Math.floor(random() * 20) }, () => Math.floor(random() * 240)),
    );
    const pace = fitPace(own, GROUP, belief);
    const top = posterior(pace.level, pace.drift, own, belief, pace);
    for (const [up, more] of [
      [0.01, 0],
      [-0.01, 0],
      [0, 0.001],
      [0, -0.001],
      [0.01, 0.001],
      [-0.01, 0.001],
    ] as const)
      // prettier-ignore
      expect(posterior(pace.level + up, pace.drift + more, own, belief, pace)).toBeLessThan(top);
    // Second differences at the top, turned into variances.
    const step = 1e-3;
    const at = (i: number, k: number) =>
      posterior(pace.level + i * step, pace.drift + k * step, own, belief, pace);
    const [a, c] = [
      (2 * top - at(1, 0) - at(-1, 0)) / step ** 2,
      (2 * top - at(0, 1) - at(0, -1)) / step ** 2,
    ];
    const b = (at(1, -1) + at(-1, 1) - at(1, 1) - at(-1, -1)) / (4 * step ** 2);
    expect(pace.spread[0] / (c / (a * c - b * b))).toBeCloseTo(1, 2);
    expect(pace.spread[2] / (a / (a * c - b * b))).toBeCloseTo(1, 2);
  }
});

test('no weeks at all: the group’s pace; many weeks: one’s own', () => {
  const none = fitPace([], GROUP, { mean: 0, variance: 1e-4 });
  expect([Math.exp(none.level), none.drift]).toEqual([expect.closeTo(100, 6), expect.closeTo(0, 9)]);
  const many = fitPace(weeks(...Array<number>(40).fill(40)), GROUP, { mean: 0, variance: 1e-6 });
  expect(Math.exp(many.level)).toBeGreaterThan(39);
  expect(Math.exp(many.level)).toBeLessThan(43);
});

test('a falling hand is believed to fall, and a group of many such teaches it sooner', () => {
  const falling = weeks(150, 140, 120, 115, 100, 95, 85, 75, 70, 60, 55, 50);
  const steady = weeks(100, 96, 104, 100, 99, 101, 100, 103, 97, 100, 98, 102);
  const group = groupPace([falling, steady]);
  const [fall, keep] = beliefsOf([falling, steady], group);
  expect(fall![1]!.probability).toBeGreaterThan(0.9);
  expect(keep![1]!.probability).toBeLessThan(0.5);
  expect(Math.exp(likeliest(fall!).level)).toBeLessThan(60);
  // A doubtful hand among falling ones is doubted more than among steady ones.
  const doubtful = weeks(110, 100, 105, 95, 90, 92);
  const among = (others: readonly Week[], count = 8) => beliefsOf([doubtful, ...Array.from({ length: count }, () => others)], group)[0]![1]!.probability; // prettier-ignore
  expect(among(falling)).toBeGreaterThan(among(steady) + 0.1);
  // What is believed beforehand counts as five makers: one that falls does not tip the scale, a second does.
  expect(among(falling, 1)).toBeLessThan(0.5);
  expect(among(falling, 2)).toBeGreaterThan(0.5);
});

const sure = (level: number, drift = 0): Pace => ({ level, drift, spread: [1e-12, 0, 1e-12], lumpiness: 10, evidence: 0 }); // prettier-ignore
const evenly = [{ share: 1, minutes: 100, sittings: [{ day: 2, minutes: 50 }, { day: 5, minutes: 50 }] }]; // prettier-ignore
const belief = (pace: Pace): Belief => ({ paces: [{ pace, probability: 1 }], own: [{ run: evenly, week: 0 }], group: [{ run: evenly, week: 0 }], ownShare: 0.5 }); // prettier-ignore

test('futures by hand: a hundred minutes a week in two sittings; a pace that runs dry is never done', () => {
  const days = (left: number, drift = 0) =>
    playFutures(belief(sure(Math.log(100), drift)), left, seededRandom(1));
  expect([...new Set(days(40))]).toEqual([2]);
  expect([...new Set(days(60))]).toEqual([5]);
  expect([...new Set(days(230))]).toEqual([16]);
  // Half as much each week: two hundred minutes in all, and then none.
  const dry = days(1000, -Math.LN2);
  expect([...new Set(dry)]).toEqual([7 * 260]);
  const list = [
    ...playFutures(belief({ ...sure(Math.log(100)), spread: [0.2, 0, 1e-6] }), 900, seededRandom(2)),
  ];
  expect(list).toEqual([...list].sort((a, b) => a - b));
  expect(new Set(list).size).toBeGreaterThan(10);
});
