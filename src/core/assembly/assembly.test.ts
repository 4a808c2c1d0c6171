import fc from 'fast-check';
import { findRotation } from './rotations';
import { expect, test } from 'vitest';
import { buildSeamGraph, groupsOf, type Seam, type SeamGraph } from '../block';
import { turnDegrees } from '../geometry';
import {
  cutGrid,
  hexagonMosaic,
  mixedMosaic,
  partition,
  patch,
  plate,
  rosette,
  starOfDiamonds,
} from '../testing';
import {
  CancelledError,
  NO_WISHES,
  bendsBound,
  leastBends,
  patchByPatch,
  planAssembly,
  validatePlan,
} from '.';

const grid = fc
  .tuple(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 6 }), fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 1, maxLength: 36 }))
  .map(([columns, rows, cuts]) => cutGrid(columns, rows, cuts)); // prettier-ignore
const cutUp = fc
  .array(fc.record({ which: fc.nat(50), share: fc.integer({ min: 2, max: 8 }).map((tenths) => tenths / 10) }), { maxLength: 25 })
  .map((cuts) => partition(240, 200, cuts)); // prettier-ignore
const someHexagons = fc
  .array(fc.boolean(), { minLength: 19, maxLength: 19 })
  .map((keep) => rosette(2).filter((_, i) => keep[i]))
  .filter((patches) => patches.length > 0);

function planOf(graph: SeamGraph) {
  const plan = planAssembly(graph);
  expect(validatePlan(graph, plan)).toEqual([]);
  return plan;
}

/** Bends of joining two sets of patches, counted anew from the seams' ends: two seams at a place that turn there. */
function bendsBetween(graph: SeamGraph, left: number, right: number): number | undefined {
  const at = new Map<number, Seam[]>();
  let [count, bends] = [0, 0];
  for (const seam of graph.seams) {
    const [a, b] = seam.patches.map((patch) => 1 << patch) as [number, number];
    if (!((left & a && right & b) || (left & b && right & a))) continue;
    count += 1;
    bends += seam.innerBends.length;
    for (const { place } of [seam.start, seam.end]) at.set(place, [...(at.get(place) ?? []), seam]);
  }
  if (count === 0) return undefined;
  for (const [place, seams] of at) {
    if (seams.length === 1) continue;
    if (seams.length > 2) return undefined; // units that meet cornerwise: never better
    const [p, q] = seams.map(({ start, end }) => (start.place === place ? start : end).outward);
    if (turnDegrees({ x: -p!.x, y: -p!.y }, q!) > 1) bends += 1;
  }
  return bends;
}

/** Brute-force twin: fewest bends of any plan, by dynamic programming over all sets of patches. */
function fewestBends(graph: SeamGraph): number {
  const full = (1 << graph.patches.length) - 1;
  const best = new Float64Array(full + 1).fill(Infinity);
  for (let i = 0; i < graph.patches.length; i++) best[1 << i] = 0;
  for (let set = 1; set <= full; set++) {
    for (let left = (set - 1) & set; left > set >> 1; left = (left - 1) & set) {
      const right = set & ~left;
      if (!Number.isFinite(best[left]! + best[right]!)) continue;
      const bends = bendsBetween(graph, left, right);
      if (bends !== undefined) best[set] = Math.min(best[set]!, best[left]! + best[right]! + bends);
    }
  }
  return best[full]!;
}

test('plans are valid, whatever the drawing', () => {
  fc.assert(
    fc.property(fc.oneof(grid, cutUp, someHexagons), (patches) => {
      const graph = buildSeamGraph(patches);
      const plan = planOf(graph);
      expect(plan.joins).toHaveLength(patches.length - groupsOf(graph, [...patches.keys()]).length);
      expect(plan.totals.bends).toBeGreaterThanOrEqual(plan.bendsBound);
      expect(plan.joins.every(({ chains }) => chains.length <= 2)).toBe(true);
    }),
    { numRuns: 60 },
  );
});

test('small plans cost no more bends than the best of all plans, found by trying every one', () => {
  const small = fc.oneof(
    fc.tuple(fc.integer({ min: 1, max: 2 }), fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 4, maxLength: 4 })).map(([rows, cuts]) => cutGrid(2, rows, cuts)),
    fc.array(fc.record({ which: fc.nat(9), share: fc.constantFrom(0.3, 0.5, 0.7) }), { maxLength: 7 }).map((cuts) => partition(90, 70, cuts)),
    fc.subarray([...rosette(1).keys(), 7, 8], { minLength: 2 }).map((keep) => rosette(2).filter((_, i) => keep.includes(i))),
  ); // prettier-ignore
  fc.assert(
    fc.property(small, (patches) => {
      const graph = buildSeamGraph(patches);
      const plan = planOf(graph);
      if (groupsOf(graph, [...patches.keys()]).length > 1) return;
      const fewest = fewestBends(graph);
      expect(fewest).toBeGreaterThanOrEqual(bendsBound(graph));
      expect(plan.totals.bends).toBe(fewest);
    }),
    { numRuns: 60 },
  );
});

test('pieces cut by straight cuts are sewn without a single bend', () => {
  fc.assert(
    fc.property(cutUp, (patches) => {
      expect(planOf(buildSeamGraph(patches)).totals.bends).toBe(0);
    }),
  );
});

test('six diamonds round a point: halves of three, then one straight seam', () => {
  const plan = planOf(buildSeamGraph(starOfDiamonds(6)));
  expect([plan.totals.joins, plan.totals.bends, plan.bendsBound]).toEqual([5, 0, 0]);
  const last = plan.joins.at(-1);
  expect([last?.left.length, last?.right.length, last?.seams.length]).toEqual([3, 3, 2]);
});

test('a rosette of seven hexagons takes six bends in six joins, which is the bound', () => {
  const plan = planOf(buildSeamGraph(rosette(1)));
  expect([plan.totals.joins, plan.totals.bends, plan.bendsBound]).toEqual([6, 6, 6]);
  expect(plan.joins.flatMap(({ releases }) => releases)).toEqual([3]);
});

test('a plate closes its ring once, with one join of two runs and no bend', () => {
  const plan = planOf(buildSeamGraph(plate(24)));
  expect([plan.totals.joins, plan.totals.bends]).toEqual([23, 0]);
  expect(plan.joins.map(({ chains }) => chains.length).sort().slice(-2)).toEqual([1, 2]); // prettier-ignore
  // Pairs, fours, eights, then the rest: two eights and the last one, or two twelves.
  expect([12, 16]).toContain(plan.joins.at(-1)?.left.length);
});

test('a mosaic of mixed shapes reaches the bound', () => {
  const plan = planOf(buildSeamGraph(mixedMosaic(400)));
  expect(plan.totals.bends).toBe(plan.bendsBound);
});

test('layers are pieced apart, and patches joined to nothing take no join', () => {
  const patches = [...cutGrid(2, 2, [0]), ...rosette(1).map((one, i) => ({ ...one, id: `over${i}`, layer: 1 }))];
  const plan = planOf(buildSeamGraph(patches));
  expect(plan.joins).toHaveLength(3 + 6);
  expect(plan.joins.every(({ left, right }) => new Set([...left, ...right].map((i) => patches[i]?.layer)).size === 1)).toBe(true);
}); // prettier-ignore

test('the thread goes on from the join before, through a fold where that lies between, and every minute is accounted for', () => {
  const graph = buildSeamGraph(cutGrid(4, 1, [0]));
  const plan = planOf(graph);
  // Four squares in a row: every seam is a side away from the one before, so one thread slides from each to the next.
  expect([plan.totals.threadStarts, plan.totals.slides]).toEqual([1, 2]);
  const [first, second] = plan.joins;
  expect(first?.minutes).toBeCloseTo(0.5 + (25.4 * (10 / 25.4)) / 12 + 0.75, 6);
  expect(second?.minutes).toBeCloseTo(0.5 + (25.4 * (10 / 25.4)) / 12 + 0.2, 6);
  // Sides of 61 mm are too long to slide through: each seam has a thread of its own.
  const long = cutGrid(4, 1, [0]).map((one) => ({
    ...one,
    outline: { ...one.outline, corners: one.outline.corners.map(({ x, y }) => ({ x: x * 2.4, y: y * 2.4 })) },
  }));
  expect(planOf(buildSeamGraph(long)).totals).toMatchObject({ threadStarts: 3, slides: 0 });
  expect(plan.totals.minutes).toBeCloseTo(
    plan.joins.reduce((sum, { minutes }) => sum + minutes, 0),
    9,
  );
});

test('reports progress and can be cancelled; an order that is there is not planned again', () => {
  const graph = buildSeamGraph(hexagonMosaic(100));
  expect(() => planAssembly(graph, undefined, () => false)).toThrow(CancelledError);
  const shares: number[] = [];
  const { joins } = planAssembly(graph, undefined, (share) => void shares.push(share));
  expect(shares.length).toBeGreaterThan(3);
  expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  const { left, right } = joins[9]!;
  const wished = { ...NO_WISHES, pins: [{ patches: [...left, ...right] }] };
  expect(planAssembly(graph, undefined, () => false, 'best', wished).joins).toEqual(joins);
});

test('the validator notices a seam left out, one sewn twice, a unit that is not there, and a paper taken out early', () => {
  const graph = buildSeamGraph(rosette(1));
  const { joins } = planAssembly(graph);
  const spoil = (index: number, change: object) =>
    joins.map((join, i) => (i === index ? { ...join, ...change } : join));
  expect(validatePlan(graph, { joins: joins.slice(0, -1) })).not.toEqual([]);
  expect(validatePlan(graph, { joins: [...joins].reverse() })).not.toEqual([]);
  expect(validatePlan(graph, { joins: spoil(2, { seams: [] }) })).not.toEqual([]);
  expect(validatePlan(graph, { joins: spoil(0, { releases: [3] }) })).not.toEqual([]);
});

test('every hole is closed by one join of two runs, and none has more; bends stay at the bound', () => {
  for (const [patches, holes] of [
    [hexagonMosaic(121).filter((_, i) => i % 24 !== 12), 5],
    [hexagonMosaic(400).filter((_, i) => i % 41 !== 30), 9],
    [cutGrid(9, 9, [0]).filter((_, i) => i % 20 !== 10), 4],
  ] as const) {
    const graph = buildSeamGraph(patches);
    const { joins, totals, bendsBound: bound } = planOf(graph);
    // Euler: holes that lie within, counted from the graph and not from how it was made.
    const within = 1 - (rimPlaces(graph) - graph.seams.length + patches.length);
    expect(within).toBe(holes);
    expect(joins.filter(({ chains }) => chains.length === 2)).toHaveLength(holes);
    expect(Math.max(...joins.map(({ chains }) => chains.length))).toBe(2);
    expect(totals.bends).toBe(bound);
  }
});

/** Places inside, where seams meet: with seams and patches they make up the Euler number of the work. */
function rimPlaces(graph: SeamGraph): number {
  return graph.isInner.filter((is, place) => is && (graph.seamsAt[place]?.length ?? 0) > 0).length;
}

test('where two patches lie twice on their places, no turn takes both of one place to one of another', () => {
  const flower = rosette(1);
  const again = flower.slice(1, 3).map((one) => ({ ...one, id: `${one.id} again` }));
  const graph = buildSeamGraph([...flower, ...again]);
  const all = graph.patches.map((_, index) => index);
  expect(findRotation(buildSeamGraph(flower), all.slice(0, 7))?.folds).toBe(6);
  const targets = [...(findRotation(graph, all)?.next.values() ?? [])];
  expect(new Set(targets).size).toBe(targets.length);
  expect(validatePlan(graph, planAssembly(graph))).toEqual([]);
});

test('five hundred patches with fifty holes are planned nearly as quickly as without', () => {
  const time = (patches: ReturnType<typeof hexagonMosaic>) => {
    // A graph of its own each time: an order is kept with its graph.
    const graph = buildSeamGraph(patches);
    const start = performance.now();
    planAssembly(graph);
    return performance.now() - start;
  };
  const whole = hexagonMosaic(529);
  const wholeMs = time(whole);
  expect(time(whole.filter((_, i) => i % 11 !== 5))).toBeLessThan(5 * wholeMs);
});

test('sewn patch after patch, an order is counted as plans are, and no plan costs more bends than either way', () => {
  for (const patches of [rosette(3), mixedMosaic(50), starOfDiamonds(8), plate(12)]) {
    const graph = buildSeamGraph(patches);
    const plan = planOf(graph);
    for (const order of ['reading', 'centre-out'] as const) {
      const without = patchByPatch(graph, order);
      expect(validatePlan(graph, without)).toEqual([]);
      expect(without.joins.every(({ right }) => right.length === 1)).toBe(true);
      expect(plan.totals.bends).toBeLessThanOrEqual(without.totals.bends);
      const length = (joins: typeof plan.joins) => joins.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
      expect(length(without.joins)).toBeCloseTo(length(plan.joins), 6);
    }
  }
});

/** Four rectangles round a square, so often across and down: no straight cut parts one from its neighbour. */
function windmills(across: number, down: number) {
  const boxes = [[0, 0, 2, 1], [2, 0, 1, 2], [1, 2, 2, 1], [0, 1, 1, 2], [1, 1, 1, 1]] as const; // prettier-ignore
  return Array.from(
    { length: across * down },
    (_, i) => [i % across, Math.floor(i / across)] as const,
  ).flatMap(([column, row], mill) =>
    boxes.map(([x, y, w, h], i) => {
      const [left, top] = [(column * 3 + x) * 20, (row * 3 + y) * 20];
      return patch(mill * 5 + i, [[left, top], [left + w * 20, top], [left + w * 20, top + h * 20], [left, top + h * 20]]); // prettier-ignore
    }),
  );
}

test('four rectangles round a square cost a bend, however they are sewn; so many windmills so many bends', () => {
  expect(fewestBends(buildSeamGraph(windmills(1, 1)))).toBe(1);
  for (const [across, down] of [
    [1, 1],
    [2, 1],
    [4, 3],
  ] as const) {
    const graph = buildSeamGraph(windmills(across, down));
    expect(bendsBound(graph)).toBe(0);
    expect(leastBends(graph)).toBe(across * down);
    expect(planOf(graph).totals.bends).toBe(across * down);
  }
});

test('the least that is told is never above the best of all plans, found by trying every one', () => {
  const bent = fc.constant([patch(0, [[0, 0], [40, 0], [40, 20], [20, 20], [20, 40], [0, 40]]), patch(1, [[20, 20], [40, 20], [40, 40], [20, 40]])]); // prettier-ignore
  const some = fc
    .array(fc.boolean(), { minLength: 10, maxLength: 10 })
    .map((keep) => windmills(2, 1).filter((_, i) => keep[i]))
    .filter((patches) => patches.length > 0);
  fc.assert(
    fc.property(fc.oneof(cutUp, someHexagons, some, grid, bent), (patches) => {
      const own = patches.slice(0, 9);
      const graph = buildSeamGraph(own);
      const least = groupsOf(graph, own.map((_, i) => i)).length === 1 ? leastBends(graph) : 0; // prettier-ignore
      expect(least).toBeLessThanOrEqual(fewestBends(graph));
    }),
    { numRuns: 60 },
  );
});
