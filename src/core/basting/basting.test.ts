import fc from 'fast-check';
import { expect, test } from 'vitest';
import { buildSeamGraph, type SeamGraph } from '../block';
import { cutGrid, plate, rosette, starOfDiamonds } from '../testing';
import { defaultPaper, makePaper } from '../catalogue';
import { moveOutline, shiftBy, type Outline } from '../geometry';
import {
  conventionsFor,
  fewestRefolds,
  findClashes,
  foldBy,
  methodMinutes,
  planBasting,
  sayRefolds,
  rankMethods,
  tailLength,
  tailsOf,
  type FoldConvention,
  type FoldOrder,
  type Refold,
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

const WAYS = ['clockwise', 'counter-clockwise'] as const;

/** Clashes that are left when some patches are folded otherwise than the rest. */
const clashesOf = (
  graph: SeamGraph,
  conventionOf: (patch: number) => FoldConvention,
  folds: readonly Refold[],
) => {
  const anew = new Map(folds.map(({ patch, convention }) => [patch, convention]));
  return planBasting(graph, 6.35, (patch) => anew.get(patch) ?? conventionOf(patch)).clashes.length;
};

test('the fewest re-folds are found, whichever way round: no fewer would do, and afterwards nothing clashes', () => {
  const graph = buildSeamGraph(starOfDiamonds(5));
  const way = fc.constantFrom<FoldConvention>('clockwise', 'counter-clockwise', 'long-first', 'opposite-sides');
  fc.assert(
    fc.property(fc.array(way, { minLength: 5, maxLength: 5 }), (ways) => {
      const conventionOf = (patch: number) => ways[patch]!;
      const { patches, clashes } = planBasting(graph, 6.35, conventionOf);
      const { folds, isFewest } = fewestRefolds(graph, patches, 6.35);
      expect([isFewest, clashesOf(graph, conventionOf, folds)]).toEqual([true, 0]);
      if (clashes.length === 0) expect(folds).toEqual([]);
      // Every choice of patches and ways: each stays as it is, or is folded all round the one way or the other.
      for (let choice = 0; choice < 3 ** 5; choice++) {
        const other = ways.flatMap((_, patch): Refold[] => {
          const turn = Math.floor(choice / 3 ** patch) % 3;
          return turn === 0 ? [] : [{ patch, convention: turn === 1 ? 'clockwise' : 'counter-clockwise' }];
        });
        if (other.length < folds.length) expect(clashesOf(graph, conventionOf, other)).toBeGreaterThan(0);
      }
    }),
    { numRuns: 40 },
  );
}); // prettier-ignore

test('one patch that is folded against all others is the one to fold anew, whichever way those are folded', () => {
  const graph = buildSeamGraph(starOfDiamonds(8));
  for (const [most, one, seen] of [['clockwise', 'counter-clockwise', 'anticlockwise'], ['counter-clockwise', 'clockwise', 'clockwise']] as const) {
    const { patches } = planBasting(graph, 6.35, (patch) => (patch === 3 ? one : most));
    const { folds } = fewestRefolds(graph, patches, 6.35);
    expect([folds, sayRefolds(folds)]).toEqual([[{ patch: 3, convention: most }], `1 patch ${seen}`]);
  }
  expect(sayRefolds((['clockwise', 'counter-clockwise', 'clockwise'] as const).map((convention) => ({ convention })))).toBe('2 patches anticlockwise and 1 patch clockwise');
}); // prettier-ignore

test('where too many tails clash to try every choice, all turn one way until none does, and it is said that fewer might do', () => {
  const apart = [plate(12), plate(12), starOfDiamonds(8)].flatMap((patches, far) =>
    patches.map((one) => ({ ...one, id: `${far} ${one.id}`, outline: moveOutline(shiftBy(1000 * far, 0), one.outline) })),
  );
  const graph = buildSeamGraph(apart);
  for (const ofPlates of ['opposite-sides', 'long-first'] as const) {
    // Of the star half the patches lie as they should already: those stay.
    const conventionOf = (patch: number) => (patch < 24 ? ofPlates : WAYS[patch % 2]!);
    const { patches, clashes } = planBasting(graph, 6.35, conventionOf);
    const { folds, isFewest } = fewestRefolds(graph, patches, 6.35);
    expect([clashes.length > 24, isFewest, clashesOf(graph, conventionOf, folds)]).toEqual([true, false, 0]);
    expect(folds.map(({ patch }) => patch)).toEqual(apart.flatMap((_, patch) => (patch < 24 || patch % 2 === 1 ? [patch] : [])));
    expect(new Set(folds.map(({ convention }) => convention))).toEqual(new Set(['clockwise']));
  }
}); // prettier-ignore

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
