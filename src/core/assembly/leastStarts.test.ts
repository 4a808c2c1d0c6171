import { expect, test } from 'vitest';
import { buildSeamGraph, groupsOf, type SeamGraph } from '../block';
import { hexagonRows } from '../testing';
import { threadOn } from '../thread';
import { planAssembly } from '.';
import { chainsOf, turnedChain, type Chain } from './interface';
import { sewnRun } from './needle';
import { DEFAULT_SEWING, type SewingSettings } from './sewingSettings';
import { slidesBetween } from './slides';
import { seamsBetween } from './tree';
import { connectedSets, eachUnit, isIn, lowestIn, setOf, without, type UnitSet } from './unitSet';

/** Threads begun for a unit, and what the last of them has left, mm, at a place. */
interface Sewn {
  readonly starts: number;
  readonly leftMm: number;
  readonly place: number;
}

/** More thread left is never worse: whoever begins a thread has at most a whole one. */
const isFewer = (a: Sewn, b: Sewn | undefined) =>
  !b || a.starts < b.starts || (a.starts === b.starts && a.leftMm > b.leftMm + 1e-9);

const membersOf = (set: UnitSet): number[] => {
  const members: number[] = [];
  eachUnit(set, (patch) => members.push(patch));
  return members;
};

/**
 * The fewest threads begun in any order that makes only some of the units, by weighing them all: for each unit and each place where
 * its thread can end the best way to get there. Joins of two units that meet in one run.
 * @param units sets of patches, each after those that it holds; every single patch is among them, and the whole is the last
 */
function leastStarts(graph: SeamGraph, units: readonly UnitSet[], settings: SewingSettings): number {
  const ways = new Map<UnitSet, readonly Sewn[]>(
    graph.patches.map((_, patch) => [setOf(patch), [{ starts: 0, leftMm: 0, place: -1 }]]),
  );
  for (const unit of units) {
    const best = new Map<number, Sewn>();
    for (const part of units) {
      if (part >= unit) continue;
      const rest = without(unit, part);
      if ((part & unit) !== part || (part & lowestIn(unit)) === 0 || !ways.has(rest)) continue;
      const chains = chainsOf(graph, seamsBetween(graph, membersOf(part), membersOf(rest)));
      if (chains.length !== 1) continue;
      const both = [chains[0]!, turnedChain(chains[0]!)];
      for (const [first, last] of [[part, rest], [rest, part]] as const)
        for (const chain of both)
          for (const way of waysOn(graph, ways, first, last, chain, settings))
            if (isFewer(way, best.get(way.place))) best.set(way.place, way);
    }
    if (best.size > 0) ways.set(unit, [...best.values()]);
  }
  return Math.min(...(ways.get(units.at(-1)!) ?? []).map(({ starts }) => starts));
} // prettier-ignore

/** Every way of sewing two units together: with the thread of the one made last, wherever that ended, or with a new one. */
function waysOn(
  graph: SeamGraph,
  ways: ReadonlyMap<UnitSet, readonly Sewn[]>,
  first: UnitSet,
  last: UnitSet,
  { startPlace, endPlace, lengthMm }: Chain,
  settings: SewingSettings,
): Sewn[] {
  const before = Math.min(...ways.get(first)!.map(({ starts }) => starts));
  const needMm = threadOn(lengthMm, settings.stitchesPerMm);
  return ways.get(last)!.flatMap(({ starts, leftMm, place }) => {
    const slides = place < 0 ? undefined : slidesBetween(graph, place, startPlace, (patch) => isIn(last, patch)); // prettier-ignore
    const hiddenMm = (slides ?? []).reduce((sum, slide) => sum + slide.lengthMm, 0);
    return [undefined, slides && { count: slides.length, hiddenMm }].map((slid) => {
      const run = sewnRun(leftMm, slid, needMm, settings);
      return { starts: before + starts + run.starts, leftMm: run.leftMm, place: endPlace };
    });
  });
}

/** Every unit of hexagons that hang together. */
function allUnits({ patches, seams }: SeamGraph): UnitSet[] {
  const neighbours = new Int32Array(patches.length);
  for (const { patches: [a, b] } of seams) {
    neighbours[a]! |= setOf(b);
    neighbours[b]! |= setOf(a);
  }
  return [...connectedSets(neighbours)].flatMap((isOne, set) => (isOne ? [set] : []));
} // prettier-ignore

test.each([
  [1, 9],
  [2, 5],
])('no order whatever of %i × %i hexagons begins fewer threads', (rows, columns) => {
  const graph = buildSeamGraph(hexagonRows(rows, columns));
  for (const usableNeedlefulMm of [150, 300]) {
    const settings = { ...DEFAULT_SEWING, usableNeedlefulMm };
    expect(planAssembly(graph, settings).totals.threadStarts).toBe(
      leastStarts(graph, allUnits(graph), settings),
    );
  }
});

/** Units of two rows that are unbroken in each, their ends at most so far apart. */
function unbrokenUnits(graph: SeamGraph, columns: number, apart: number): UnitSet[] {
  const row = (from: number, to: number) => 2 ** to - 2 ** from;
  const units = new Set<UnitSet>();
  for (let a = 0; a <= columns; a++)
    for (let b = a; b <= columns; b++)
      for (let c = 0; c <= columns; c++)
        for (let d = c; d <= columns; d++) {
          const isBeside = a === b || c === d || (Math.abs(a - c) <= apart && Math.abs(b - d) <= apart);
          if (isBeside && row(a, b) + row(c, d) > 0) units.add(row(a, b) + row(c, d) * 2 ** columns);
        }
  const isWhole = (set: UnitSet) => groupsOf(graph, membersOf(set)).length === 1;
  return [...units].filter(isWhole).sort((a, b) => a - b);
}

test.each([
  [8, 375],
  [10, 325],
  [10, 380],
])(
  'two rows of %i begin as few threads, of %i mm, as any order whose units are unbroken rows',
  (columns, usableNeedlefulMm) => {
    const graph = buildSeamGraph(hexagonRows(2, columns));
    const settings = { ...DEFAULT_SEWING, usableNeedlefulMm };
    const { threadStarts, threadStartsBound } = planAssembly(graph, settings).totals;
    expect(threadStarts).toBe(leastStarts(graph, unbrokenUnits(graph, columns, 1), settings));
    // Where the way is long from seam to seam, none of them keeps to a quarter more than the needlefuls hold.
    if (usableNeedlefulMm === 380) expect(threadStarts).toBeGreaterThan(1.25 * threadStartsBound);
  },
);

/**
 * Fewer threads sew no field of hexagons whose sides are all as long. Where a run between two units ends, the two meet either the
 * edge of the field or one further patch, whose sides to both are sewn in one run that passes there: so that no run begins where one
 * ended, and each but the first of a thread takes a slide along one side at least. A chain of runs on so many needlefuls, carried on
 * from one to the next, has at most so many of them for the sides that it sews; the chains have all sides, and as many runs as joins.
 */
function leastWithSlides({ patches, seams }: SeamGraph, settings: SewingSettings): number {
  const sideMm = seams[0]!.lengthMm;
  const onSideMm = threadOn(sideMm, settings.stitchesPerMm);
  const runsOf = (threads: number, sides: number) => {
    const restMm = threads * settings.usableNeedlefulMm - sides * onSideMm + 1e-6;
    return restMm < 0 ? -Infinity : Math.min(sides, Math.floor(restMm / sideMm) + 1);
  };
  /** Most runs in which so many sides are sewn with so many threads. */
  const most: number[][] = [[0]];
  const runs = (threads: number, sides: number) => most[threads]![sides] ?? -Infinity;
  for (let threads = 1; ; threads++) {
    most.push([]);
    for (let sides = 1; sides <= seams.length; sides++)
      for (let own = 1; own <= threads; own++)
        for (let sewn = 1; sewn <= sides && runsOf(own, sewn) > 0; sewn++)
          most[threads]![sides] = Math.max(runs(threads, sides), runs(threads - own, sides - sewn) + runsOf(own, sewn));
    if (runs(threads, seams.length) >= patches.length - 1) return threads;
  }
} // prettier-ignore

test.each([
  [2, 29, 0],
  [3, 21, 0],
  [4, 11, 0],
  [2, 36, 1],
  [3, 26, 1],
])(
  '%i × %i hexagons cannot be sewn with a quarter more threads than needlefuls hold, or hardly: at most %i more are begun than any order needs',
  (rows, columns, more) => {
    const graph = buildSeamGraph(hexagonRows(rows, columns));
    const least = leastWithSlides(graph, DEFAULT_SEWING);
    const { threadStarts, threadStartsBound } = planAssembly(graph).totals;
    expect(threadStarts).toBeGreaterThan(1.25 * threadStartsBound);
    expect(threadStarts - least).toBeGreaterThanOrEqual(0);
    expect(threadStarts - least).toBeLessThanOrEqual(more);
  },
);

test('what no order can do without is no more than what the best order of all needs', () => {
  const graph = buildSeamGraph(hexagonRows(2, 5));
  for (const usableNeedlefulMm of [150, 200, 300]) {
    const settings = { ...DEFAULT_SEWING, usableNeedlefulMm };
    const best = leastStarts(graph, allUnits(graph), settings);
    const least = leastWithSlides(graph, settings);
    expect(least).toBeLessThanOrEqual(best);
    expect(least).toBeGreaterThanOrEqual(best - 1);
  }
});
