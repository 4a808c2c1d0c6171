import { expect, test } from 'vitest';
import type { Outline } from '../geometry';
import { BASTE_METHODS, conventionsFor, foldBy, foldClockwise, methodMinutes, pleatsOf, rankMethods, type BasteMethod, type FoldConvention } from '.'; // prettier-ignore

/** Figures of the handbook, counted by hand. */
const closed = (...corners: (readonly [number, number])[]): Outline => ({
  corners: corners.map(([x, y]) => ({ x, y })),
  bulges: corners.map(() => 0),
});
const box = (width: number, height: number) => closed([0, 0], [width, 0], [width, height], [0, height]);
const SQUARE = box(50, 50);
/** A half circle of 1″ radius over its straight side. */
const DOME: Outline = { corners: [{ x: 0, y: 0 }, { x: 50.8, y: 0 }], bulges: [1, 0] }; // prettier-ignore

test.each<[BasteMethod, number, number]>([
  ['thread', 0.5 + 4 * 0.1 + 200 / 150, 3],
  ['thread-in-cloth', 0.5 + 4 * 0.18 + 200 / 320, 5],
  ['glue', 0.3 + 4 * 0.06 + 200 / 420, 2],
  ['glue-and-thread', 0.35 + 4 * 0.14 + 200 / 380, 3],
  ['starch', 0.6 + 4 * 0.12 + 200 / 200, 20],
  ['stay-in', 0.5 + 4 * 0.08 + 200 / 350, 1],
])('a 50 mm square by %s takes %d min, and its paper lasts %d times', (method, minutes, uses) => {
  expect(methodMinutes(method, SQUARE)).toBeCloseTo(minutes, 9);
  expect(BASTE_METHODS[method].uses).toBe(uses);
});

const THIN = closed([0, 0], [40, 0], [0, 30]);
test.each<[string, Parameters<typeof rankMethods>[0], Partial<Record<BasteMethod, number>>]>([
  ['many straight', { outline: SQUARE, count: 24, isApplique: false, isPale: false }, { glue: 2, thread: 0.5, 'thread-in-cloth': 0, starch: -1, 'stay-in': -3, 'glue-and-thread': 0 }],
  ['few straight', { outline: SQUARE, count: 23, isApplique: false, isPale: false }, { glue: 0, 'thread-in-cloth': 1.5 }],
  ['pale', { outline: SQUARE, count: 1, isApplique: false, isPale: true }, { thread: 2.5, glue: -2 }],
  ['points of 37°', { outline: THIN, count: 1, isApplique: false, isPale: false }, { glue: -1.5, 'thread-in-cloth': 2, 'glue-and-thread': 0 }],
  ['points that are appliquéd', { outline: THIN, count: 1, isApplique: true, isPale: false }, { 'glue-and-thread': 4, starch: 0, 'stay-in': 0 }],
  ['a curve', { outline: DOME, count: 1, isApplique: false, isPale: false }, { thread: 2.5, glue: -1, starch: 0, 'stay-in': -3 }],
  ['a curve that is appliquéd', { outline: DOME, count: 1, isApplique: true, isPale: false }, { starch: 3, 'stay-in': 1 }],
  ['sides of 75 mm', { outline: box(75, 75), count: 1, isApplique: false, isPale: false }, { glue: 0 }],
  ['sides of 76 mm', { outline: box(76, 76), count: 1, isApplique: false, isPale: false }, { glue: -0.5 }],
])('%s: each method gains what the handbook gives it, less its time', (_, one, gains) => {
  const ranked = rankMethods(one);
  for (const [method, gain] of Object.entries(gains)) {
    const { score, minutesEach } = ranked.find((choice) => choice.method === method) as (typeof ranked)[number];
    expect([method, score + 0.4 * minutesEach]).toEqual([method, expect.closeTo(gain, 9)]);
  }
  expect(ranked.map(({ score }) => score)).toEqual(ranked.map(({ score }) => score).sort((a, b) => b - a));
}); // prettier-ignore

test('what makes sense for a paper follows its sides: a fifth longer is still even', () => {
  const always = ['clockwise', 'counter-clockwise'];
  const uneven = ['long-first', 'long-last'];
  expect(conventionsFor(box(60, 50))).toEqual([...always, 'opposite-sides']);
  expect(conventionsFor(box(61, 50))).toEqual([...always, 'opposite-sides', ...uneven, 'long-sides-then-ends', 'up-tip-down']); // prettier-ignore
  expect(conventionsFor(closed([0, 0], [50, 0], [25, 43.3]))).toEqual([...always, ...uneven]);
  const house = closed([0, 0], [25, -20], [50, 0], [50, 50], [0, 50]);
  expect(conventionsFor(house)).toEqual([...always, ...uneven, 'up-tip-down']);
  const shell: Outline = { corners: [{ x: 0, y: 0 }, { x: 40, y: 0 }, { x: 20, y: 20 }], bulges: [0.9, -0.4, -0.4] }; // prettier-ignore
  expect(conventionsFor(shell)).toEqual([...always, ...uneven, 'curve-only']);
  expect(conventionsFor(DOME)).toEqual([...always, ...uneven]);
});

test.each<[FoldConvention, number[], number[]]>([
  ['clockwise', [0, 1, 2, 3], [1, 2, 3, 0]],
  ['counter-clockwise', [0, 3, 2, 1], [1, 0, 3, 2]],
  ['opposite-sides', [0, 2, 1, 3], [1, 3, 2, 0]],
  ['long-first', [0, 2, 1, 3], [1, 3, 2, 0]],
  ['long-last', [1, 3, 0, 2], [2, 0, 1, 3]],
  ['long-sides-then-ends', [0, 2, 1, 3], [1, 3, 0, 2]],
  ['up-tip-down', [2, 3, 0, 1], [1, 2, 3, 0]],
])('%s folds a lying and a standing strip so', (convention, lying, standing) => {
  const [one, other] = [foldBy(convention, box(60, 40)), foldBy(convention, box(40, 60))];
  expect([one.order, other.order]).toEqual([lying, standing]);
  expect(one.isTucked).toBe(convention === 'clockwise' || convention === 'counter-clockwise');
});

test('folding begins at the longest side; a quarter of a millimetre more is no longer', () => {
  expect(foldClockwise([50, 50.25, 50]).order).toEqual([0, 1, 2]);
  expect(foldClockwise([50, 50.26, 50]).order).toEqual([1, 2, 0]);
});

test('pleats stand ¼″ apart along a curve, its ends left out; a curve that bows in is clipped', () => {
  // Half of 2π · 25.4 mm is 79.8 mm: twelve quarter inches, eleven places between them.
  const pleats = pleatsOf(DOME);
  expect(pleats.map(({ kind, side }) => [kind, side])).toEqual(
    Array.from({ length: 11 }, () => ['pleat', 0]),
  );
  for (const { at, outward } of pleats) {
    expect(Math.hypot(at.x - 25.4, at.y)).toBeCloseTo(25.4, 6);
    expect(Math.hypot(at.x + outward.x - 25.4, at.y + outward.y)).toBeCloseTo(26.4, 6);
  }
  const hollow = pleatsOf({ ...DOME, bulges: [-1, 0] });
  expect([hollow.length, hollow[0]?.kind]).toEqual([11, 'clip']);
  const small: Outline = { corners: [{ x: 0, y: 0 }, { x: 6, y: 0 }], bulges: [1, 0] }; // prettier-ignore
  expect(pleatsOf(small)).toHaveLength(1);
});
