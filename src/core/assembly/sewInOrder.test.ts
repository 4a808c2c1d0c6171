import fc from 'fast-check';
import { expect, test } from 'vitest';
import { buildSeamGraph } from '../block';
import { cutGrid, rosette } from '../testing';
import { chainsOf, planAssembly, turnedChain, type Chain } from '.';

const grid = fc
  .tuple(
    fc.integer({ min: 1, max: 3 }),
    fc.integer({ min: 1, max: 3 }),
    fc.array(fc.nat(2), { minLength: 1, maxLength: 9 }),
  )
  .map(([columns, rows, cuts]) => cutGrid(columns, rows, cuts));
const hexagons = fc
  .subarray([...Array(7).keys()], { minLength: 2 })
  .map((keep) => rosette(1).filter((_, i) => keep.includes(i)));

/** Fewest threads, by trying both ways of every join. */
function fewestStarts(joins: ReturnType<typeof planAssembly>['joins']): number {
  let best = Infinity;
  for (let ways = 0; ways < 1 << joins.length; ways++) {
    let starts = 0;
    let end: number | undefined;
    joins.forEach(({ chains, left, right }, i) => {
      const before = joins[i - 1];
      const turned = (ways >> i) & 1 ? [...chains].reverse().map(turnedChain) : chains;
      const size = before ? before.left.length + before.right.length : -1;
      const goesOn = [left, right].some(
        (unit) => unit.length === size && unit.includes(before?.left[0] ?? -1),
      );
      starts += turned.length - (goesOn && turned[0]?.startPlace === end ? 1 : 0);
      end = turned.at(-1)?.endPlace;
    });
    best = Math.min(best, starts);
  }
  return best;
}

test('threads are begun as seldom as the order of joins allows, found by trying every way round', () => {
  const settings = { appliqueMmPerMinute: 25, threadWeight: 50, usableNeedlefulMm: 1e9 };
  fc.assert(
    fc.property(fc.oneof(grid, hexagons), (patches) => {
      const graph = buildSeamGraph(patches);
      const base = {
        stitchesPerMm: 0.4, stitchesPerMinute: 12, alignMinutes: 0.5, bendMinutes: 1, threadStartMinutes: 0.75,
        slideMinutes: 9, lightPapers: 12, heavyShare: 0.01, ...settings,
      }; // prettier-ignore
      const { joins, totals } = planAssembly(graph, base);
      if (joins.length > 11) return;
      expect(totals.threadStarts).toBe(joins.length === 0 ? 0 : fewestStarts(joins));
    }),
    { numRuns: 60 },
  );
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
