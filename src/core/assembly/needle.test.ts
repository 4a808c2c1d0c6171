import { expect, test } from 'vitest';
import { buildSeamGraph } from '../block';
import { rosette } from '../testing';
import { DEFAULT_SEWING } from './sewingSettings';
import { lostMinutes, sewnRun, slidTo, waysOfNeedle, weighedRun } from './needle';

/** Needlefuls of 400 mm; a twentieth of one, 20 mm, is too short to go on with. */
const SETTINGS = { ...DEFAULT_SEWING, usableNeedlefulMm: 400, threadStartMinutes: 1, slideMinutes: 0.2 };

test.each([
  // Left on the needle, hidden in slides (none: no way there), needed; whether it goes on, threads begun, left afterwards.
  [0, undefined, 100, false, 1, 300],
  [150, 0, 100, true, 0, 50],
  [150, 25, 100, true, 0, 25],
  [150, 25, 125, true, 0, 0],
  [150, 25, 126, true, 1, 399],
  [150, 25, 926, true, 3, 399],
  [150, undefined, 100, false, 1, 300],
  [45.1, 25, 10, true, 0, 10.1],
  [45, 25, 10, false, 1, 390],
  [20, 0, 10, false, 1, 390],
])('with %s mm left, %s mm hidden and %s mm needed: goes on %s, %s begun, %s mm left', (leftMm, hiddenMm, needMm, carriesOn, starts, after) => {
  const slid = hiddenMm === undefined ? undefined : { count: hiddenMm / 25, hiddenMm };
  const run = sewnRun(leftMm, slid, needMm, SETTINGS);
  expect(run).toEqual({ carriesOn, starts, leftMm: expect.closeTo(after, 9) });
  const weighed = weighedRun(leftMm, slid, needMm, SETTINGS);
  // Slides and what they hide, or a thread begun for one that is cut off.
  const own = carriesOn ? 0.2 * (slid?.count ?? 0) + lostMinutes(hiddenMm ?? 0, SETTINGS) : lostMinutes(leftMm, SETTINGS);
  expect(weighed).toEqual({ minutes: expect.closeTo(own, 9), handMinutes: carriesOn ? expect.closeTo(0.2 * (slid?.count ?? 0), 9) : 1, leftMm: run.leftMm });
}); // prettier-ignore

test('thread that is lost weighs more than the share of a beginning that it is, and twice as much thread twice as much', () => {
  expect(lostMinutes(0, SETTINGS)).toBe(0);
  expect(lostMinutes(400, SETTINGS)).toBeGreaterThan(2 * SETTINGS.threadStartMinutes);
  expect(lostMinutes(200, SETTINGS)).toBeCloseTo(lostMinutes(400, SETTINGS) / 2, 9);
});

test('the needle goes to a place by the fewest slides through what is in hand, of those by the shortest', () => {
  const graph = buildSeamGraph(rosette(1));
  const [middle] = graph.patches.flatMap((_, patch) => (graph.seamsOf[patch]!.length === 6 ? [patch] : [])) as [number];
  const corners = Array.from({ length: 6 }, (_, i) => graph.sides.startPlace[graph.sides.firstOf[middle]! + i]!) as [number, number, number, number, ...number[]];
  const to = (place: number, isInHand = (patch: number) => patch === middle) => slidTo(corners[0], place, waysOfNeedle(graph, corners[0]), isInHand);
  expect(to(corners[0])).toEqual({ count: 0, hiddenMm: 0 });
  expect(to(corners[1])).toEqual({ count: 1, hiddenMm: expect.closeTo(25.4, 6) });
  expect(to(corners[2])).toEqual({ count: 2, hiddenMm: expect.closeTo(50.8, 6) });
  expect(to(corners[3])).toBeUndefined();
  expect(to(corners[1], () => false)).toBeUndefined();
  expect([waysOfNeedle(graph, -1), waysOfNeedle({ ...graph, isOfUnits: true }, corners[0])]).toEqual([undefined, undefined]);
}); // prettier-ignore
