import fc from 'fast-check';
import { expect, test } from 'vitest';
import { buildSeamGraph, type SeamGraph } from '../block';
import { cutGrid, patch, rosette } from '../testing';
import { threadOn } from '../thread';
import {
  DEFAULT_SEWING,
  chainsOf,
  planAssembly,
  turnedChain,
  type AssemblyPlan,
  type Chain,
  type SewingSettings,
} from '.';
import { sewTrees } from './sewTrees';
import { slidesBetween } from './slides';
import { joinInOrder, joined, leaf } from './tree';

const grid = fc
  .tuple(
    fc.integer({ min: 1, max: 3 }),
    fc.integer({ min: 1, max: 3 }),
    fc.array(fc.nat(2), { minLength: 1, maxLength: 9 }),
  )
  .map(([columns, rows, cuts]) => cutGrid(columns, rows, cuts));
const hexagons = fc
  .subarray([...Array(12).keys()], { minLength: 2, maxLength: 8 })
  .map((keep) => rosette(2).filter((_, i) => keep.includes(i)));

/** Least minutes of beginning and sliding threads, by trying both ways of every join, with the thread carried on or begun anew. */
function leastMinutes(graph: SeamGraph, joins: AssemblyPlan['joins'], settings: SewingSettings): number {
  const { usableNeedlefulMm, threadStartMinutes, slideMinutes, heavyShare, lightPapers, stitchesPerMm } = settings; // prettier-ignore
  const after = (i: number, end: number, leftMm: number): number => {
    const join = joins[i];
    if (!join) return 0;
    const before = joins[i - 1];
    const made = before ? [...before.left, ...before.right] : [];
    const goesOn = [join.left, join.right].some((unit) => unit.length === made.length && unit.includes(made[0]!)); // prettier-ignore
    const slowness = 1 + heavyShare * Math.max(0, join.papersInHand - lightPapers);
    const through = (chains: readonly Chain[], inHand: readonly number[], at: number, mm: number): number => {
      const [first, ...rest] = chains;
      if (!first) return after(i + 1, at, mm);
      const slides = slidesBetween(graph, at, first.startPlace, (patch) => inHand.includes(patch));
      const carriedMm = mm - (slides ?? []).reduce((sum, { lengthMm }) => sum + lengthMm, 0);
      const mayCarry = slides && carriedMm > usableNeedlefulMm / 20;
      const minutes = [mayCarry ? carriedMm : 0, 0].map((from) => {
        const needMm = threadOn(first.lengthMm, stitchesPerMm) - from;
        const starts = Math.max(0, Math.ceil(needMm / usableNeedlefulMm - 1e-9));
        const own = starts * threadStartMinutes + (from > 0 ? slides!.length * slideMinutes : 0);
        return own * slowness + through(rest, [...join.left, ...join.right], first.endPlace, starts * usableNeedlefulMm - needMm); // prettier-ignore
      });
      return Math.min(...minutes);
    };
    const [a, b]: readonly Chain[] = join.chains;
    if (!a) return after(i + 1, end, leftMm);
    const both = (one: Chain) => [one, turnedChain(one)];
    const ways = b ? both(a).flatMap((one) => both(b).flatMap((two) => [[one, two], [two, one]])) : both(a).map((one) => [one]); // prettier-ignore
    return Math.min(...ways.map((chains) => through(chains, goesOn ? made : [], end, goesOn ? leftMm : 0)));
  };
  return after(0, -1, 0);
}

test('threads are begun and slid in the least minutes that the order of joins allows, needlefuls that run out among them', () => {
  const needlefuls = fc.integer({ min: 150, max: 400 });
  fc.assert(
    fc.property(fc.oneof(grid, hexagons), needlefuls, fc.constantFrom(2, 12), (patches, usableNeedlefulMm, lightPapers) => {
      const graph = buildSeamGraph(patches);
      const settings = { ...DEFAULT_SEWING, heavyShare: 0.1, lightPapers, usableNeedlefulMm };
      const { joins } = planAssembly(graph, settings);
      if (joins.length > 7 || joins.some(({ chains }) => chains.length > 2)) return;
      const own = joins.map(({ threadStarts, slides, papersInHand }) =>
        (threadStarts * settings.threadStartMinutes + slides * settings.slideMinutes) * (1 + 0.1 * Math.max(0, papersInHand - lightPapers)));
      expect(own.reduce((sum, one) => sum + one, 0)).toBeCloseTo(leastMinutes(graph, joins, settings), 6);
    }),
    { numRuns: 120 },
  );
}); // prettier-ignore

test('a join of many runs, with a slide between each and the next, is sewn through at once', () => {
  const columns = 81;
  // From the right to the left; between two whole rows every second cell is a hole.
  const cells = Array.from({ length: 3 * columns }, (_, i) => [columns - 1 - (i % columns), Math.floor(i / columns)] as const); // prettier-ignore
  const there = cells.filter(([column, row]) => row !== 1 || column % 2 === 0);
  const graph = buildSeamGraph(there.map(([x, y], i) => patch(i, [[10 * x, 10 * y], [10 * x + 10, 10 * y], [10 * x + 10, 10 * y + 10], [10 * x, 10 * y + 10]]))); // prettier-ignore
  const unit = (from: number, to: number) => joinInOrder(graph, there.flatMap(([, row], i) => (row >= from && row <= to ? [leaf(i)] : []))); // prettier-ignore
  const settings = { ...DEFAULT_SEWING, usableNeedlefulMm: 1e6 };
  const tree = joined(unit(0, 1), unit(2, 2));
  const last = sewTrees(graph, [tree], settings, { before: [], isBatched: false }).joins.at(-1)!;
  expect([last.chains.length, last.threadStarts]).toEqual([41, 0]);
  expect(last.chains.slice(1).every(({ slides }) => slides.length === 1)).toBe(true);
});

test('a needleful that runs out is a thread begun', () => {
  const graph = buildSeamGraph(cutGrid(2, 1, [0]));
  const start = (usableNeedlefulMm: number) =>
    planAssembly(graph, {
      stitchesPerMm: 10 / 25.4, stitchesPerMinute: 12, alignMinutes: 0.5, bendMinutes: 1, threadStartMinutes: 0.75,
      slideMinutes: 0.2, lightPapers: 12, heavyShare: 0.01, appliqueMmPerMinute: 25, threadWeight: 50, usableNeedlefulMm,
    }).totals.threadStarts; // prettier-ignore
  // A seam of 25.4 mm takes about 40 mm of thread.
  expect([start(380), start(21), start(15)]).toEqual([1, 2, 3]);
});

test('a chain turned round is the same chain, and turned twice it is itself', () => {
  const graph = buildSeamGraph(rosette(1));
  for (const { chains } of planAssembly(graph).joins) {
    for (const chain of chains) {
      const back: Chain = turnedChain(chain);
      expect([back.startPlace, back.endPlace]).toEqual([chain.endPlace, chain.startPlace]);
      expect(back.lengthMm).toBe(chain.lengthMm);
      expect(turnedChain(back)).toEqual(chain);
    }
  }
});

test('chains use every seam once and hang together', () => {
  fc.assert(
    fc.property(fc.oneof(grid, hexagons), fc.nat(1000), (patches, seed) => {
      const graph = buildSeamGraph(patches);
      const some = graph.seams.flatMap((_, seam) => ((seed >> (seam % 10)) & 1 ? [seam] : []));
      const chains = chainsOf(graph, some);
      expect(chains.flatMap(({ steps }) => steps.map(({ seam }) => seam)).sort((a, b) => a - b)).toEqual(
        some,
      );
      for (const { steps, startPlace, endPlace } of chains) {
        let place = startPlace;
        for (const { seam, isForward } of steps) {
          const { start, end } = graph.seams[seam]!;
          expect(isForward ? start.place : end.place).toBe(place);
          place = isForward ? end.place : start.place;
        }
        expect(place).toBe(endPlace);
      }
    }),
  );
});
