import fc from 'fast-check';
import { expect, test } from 'vitest';
import { buildSeamGraph } from '../block';
import { cutGrid, rosette, starOfDiamonds } from '../testing';
import { defaultPaper, makePaper } from '../catalogue';
import type { Outline } from '../geometry';
import {
  conventionsFor,
  fewestRefolds,
  findClashes,
  foldBy,
  methodMinutes,
  planBasting,
  rankMethods,
  tailLength,
  tailsOf,
  type FoldOrder,
} from '.';

test.each([[60, 1], [45, 2.414], [75, 0.518], [30, 3.732], [90, 0], [120, 0]])('a corner of %d° leaves a tail of %d allowances', (angle, times) => {
  expect(tailLength(angle, 6.35)).toBeCloseTo(times * 6.35, 2);
}); // prettier-ignore

test('no seam anywhere clashes when every patch folds the same way round and tucks', () => {
  const cuts = fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 1, maxLength: 16 });
  fc.assert(
    fc.property(cuts, (list) => {
      expect(planBasting(buildSeamGraph(cutGrid(4, 4, list)), 6.35).clashes).toEqual([]);
    }),
  );
  for (const points of [5, 6, 8, 12])
    expect(planBasting(buildSeamGraph(starOfDiamonds(points)), 6.35).clashes).toEqual([]);
});

test('a patch folded against the others is found out', () => {
  const graph = buildSeamGraph(starOfDiamonds(8));
  const { patches } = planBasting(graph, 6.35);
  const against: FoldOrder = { order: [...(patches[0]?.fold.order ?? [])].reverse(), isTucked: true };
  const outline = graph.patches[0]?.outline;
  const spoiled = patches.map((basted, i) => (i === 0 && outline ? { fold: against, tails: tailsOf(outline, against, 6.35) } : basted));
  const clashes = findClashes(graph, spoiled);
  expect(clashes).toHaveLength(1);
  expect(graph.seams[clashes[0]?.seam ?? -1]?.patches).toContain(0);
}); // prettier-ignore

test('folds are an order of all sides, and obtuse corners leave no tails', () => {
  const { patches } = planBasting(buildSeamGraph(rosette(1)), 6.35);
  expect(patches.every(({ fold, tails }) => tails.length === 0 && [...fold.order].sort().join() === '0,1,2,3,4,5')).toBe(true);
}); // prettier-ignore

test('every convention folds every side once; clockwise all over never clashes, and the worked fold orders hold', () => {
  for (const family of [
    'regular',
    'diamond',
    'half-hexagon',
    'kite',
    'half-square-triangle',
    'rectangle',
    'blade',
    'clamshell',
  ] as const) {
    const outline = makePaper(defaultPaper(family));
    for (const convention of conventionsFor(outline)) {
      const { order } = foldBy(convention, outline);
      expect(
        [...order].sort((a, b) => a - b),
        `${family} ${convention}`,
      ).toEqual(outline.corners.map((_, i) => i));
    }
  }
  const triangle = makePaper(defaultPaper('half-square-triangle'));
  // Long edge first puts both tails over it, long edge last over the short ones.
  const longest = 2;
  expect(tailsOf(triangle, foldBy('long-first', triangle), 6.35).map(({ overEdge }) => overEdge)).toEqual([
    longest,
    longest,
  ]);
  expect(
    tailsOf(triangle, foldBy('long-last', triangle), 6.35).every(({ overEdge }) => overEdge !== longest),
  ).toBe(true);
});

test('the fewest re-folds are found: no fewer would do, and afterwards nothing clashes', () => {
  const some = fc.array(fc.boolean(), { minLength: 8, maxLength: 8 });
  fc.assert(
    fc.property(some, (against) => {
      const graph = buildSeamGraph(starOfDiamonds(8));
      const { patches, clashes } = planBasting(graph, 6.35, (patch) =>
        against[patch] ? 'counter-clockwise' : 'clockwise',
      );
      const { patches: refolds, isFewest } = fewestRefolds(graph, patches, 6.35);
      const after = (chosen: readonly number[]) =>
        planBasting(graph, 6.35, (patch) =>
          against[patch] && !chosen.includes(patch) ? 'counter-clockwise' : 'clockwise',
        ).clashes.length;
      expect([isFewest, after(refolds)]).toEqual([true, 0]);
      if (clashes.length === 0) expect(refolds).toEqual([]);
      // Brute force: no smaller choice of patches does it.
      const all = Array.from({ length: 256 }, (_, bits) =>
        [0, 1, 2, 3, 4, 5, 6, 7].filter((i) => (bits >> i) & 1),
      );
      expect(
        all.filter((chosen) => chosen.length < refolds.length).every((chosen) => after(chosen) > 0),
      ).toBe(true);
    }),
    { numRuns: 25 },
  );
});

test('methods are ranked by what the work asks for, with the reason, and their minutes are told', () => {
  const best = (outline: Outline, more: { count?: number; isApplique?: boolean; isPale?: boolean } = {}) =>
    rankMethods({ outline, count: 6, isApplique: false, isPale: false, ...more })[0];
  const hexagon = makePaper(defaultPaper('regular'));
  expect(best(hexagon, { count: 90 })).toMatchObject({
    method: 'glue',
    reason: expect.stringContaining('there are 90'),
  });
  expect(best(hexagon)?.method).toBe('thread-in-cloth');
  expect(best(hexagon, { count: 90, isPale: true })?.method).not.toBe('glue');
  expect(best(makePaper(defaultPaper('clamshell')))?.method).toBe('thread');
  expect(best(makePaper({ family: 'diamond', edgeMm: 40, angleDeg: 30 }), { isApplique: true })?.method).toBe(
    'glue-and-thread',
  );
  expect(best(hexagon)?.minutesEach).toBeCloseTo(methodMinutes('thread-in-cloth', hexagon), 9);
});

/**
 * Folds the cloth round a corner point by point: the paper lies between the x axis (folded first) and the ray at the
 * corner's angle; whatever lies beyond a fold is turned over it. @returns how far cloth lies over each of the two edges
 */
function foldNumerically(angleDeg: number, allowance: number): { overFirst: number; overSecond: number } {
  const theta = (angleDeg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(theta), Math.sin(theta)];
  /** Above zero beyond the second edge. */
  const beyond = (x: number, y: number) => y * cos - x * sin;
  const reach = allowance / Math.sin(theta / 2) + allowance;
  const steps = 500;
  let [overFirst, overSecond] = [0, 0];
  for (let i = 0; i <= steps; i++) {
    for (let k = 0; k <= steps; k++) {
      let [x, y] = [-reach + (2 * reach * i) / steps, -reach + (2 * reach * k) / steps];
      // Cloth: the paper and an allowance beyond both edges, mitred at the corner.
      if (y < -allowance || beyond(x, y) > allowance) continue;
      if (y < 0) y = -y;
      const past = beyond(x, y);
      if (past > 0) [x, y] = [x + 2 * past * sin, y - 2 * past * cos];
      overFirst = Math.max(overFirst, -y);
      overSecond = Math.max(overSecond, beyond(x, y));
    }
  }
  return { overFirst, overSecond };
}

test('tails are as long as folding the cloth point by point makes them, and lie over the edge folded first', () => {
  for (let angle = 16; angle < 90; angle += 4) {
    const { overFirst, overSecond } = foldNumerically(angle, 6);
    const length = tailLength(angle, 6);
    // The grid of points is this coarse.
    const grain = (6 / Math.sin((angle * Math.PI) / 360) + 6) / 60;
    expect(overSecond).toBeLessThan(1e-9);
    expect(overFirst, `${angle}°`).toBeLessThanOrEqual(length + 1e-9);
    expect(overFirst, `${angle}°`).toBeGreaterThan(length - grain);
  }
  for (const angle of [90, 110, 150]) expect(foldNumerically(angle, 6).overFirst).toBeLessThan(1e-9);
});
