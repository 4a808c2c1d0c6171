import { expect, test } from 'vitest';
import { buildSeamGraph, type SeamGraph } from '../block';
import { moveOutline, reflectIn, turnAbout } from '../geometry';
import { cutGrid, hexagonMosaic, hexagonRows, seededRandom } from '../testing';
import { planAssembly, validatePlan, type PlanTotals } from '.';
import { chainsOf } from './interface';
import { piecesTree } from './piecesTree';
import { DEFAULT_SEWING } from './sewingSettings';
import { sewTrees, totalsOf } from './sewTrees';
import { stripOf } from './strip';
import { LEANS, stripTrees } from './stripTree';
import { joinedLast, leaf, seamsBetween, type Tree } from './tree';

const everyOf = ({ patches }: SeamGraph) => patches.map((_, index) => index);
const taskOf = (graph: SeamGraph, settings = DEFAULT_SEWING) => ({ graph, settings, goOn: () => undefined });

function sewn(graph: SeamGraph, tree: Tree, settings = DEFAULT_SEWING): PlanTotals {
  const { joins } = sewTrees(graph, [tree], settings, { before: [], isBatched: false });
  expect(validatePlan(graph, { joins })).toEqual([]);
  return totalsOf(joins, settings);
}

/** An order of a strip, drawn at random, whose units are stretches of it that meet in one run. */
function someTree(graph: SeamGraph, patches: readonly number[], random: () => number): Tree {
  if (patches.length === 1) return leaf(patches[0]!);
  const halves = patches.slice(1).map((_, i) => [patches.slice(0, i + 1), patches.slice(i + 1)] as const);
  const sound = halves.filter(([a, b]) => chainsOf(graph, seamsBetween(graph, a, b)).length === 1);
  const [a, b] = sound[Math.floor(random() * sound.length)]!;
  const parts = [someTree(graph, a, random), someTree(graph, b, random)] as const;
  return random() < 0.5 ? joinedLast(...parts) : joinedLast(parts[1], parts[0]);
}

test.each([110, 190, 260, 380])(
  'no order of a strip that makes stretches of it begins fewer threads, and hardly one as many in less time: needlefuls of %i mm',
  (usableNeedlefulMm) => {
    const settings = { ...DEFAULT_SEWING, usableNeedlefulMm, lightPapers: 2, heavyShare: 0.05 };
    const random = seededRandom(usableNeedlefulMm);
    for (const graph of [buildSeamGraph(hexagonRows(1, 6)), buildSeamGraph(hexagonRows(2, 4))]) {
      const trees = stripTrees(taskOf(graph, settings), everyOf(graph));
      expect(trees).toHaveLength(LEANS.length);
      trees.forEach((tree, slant) => {
        const own = sewn(graph, tree, settings);
        const { patches } = stripOf(graph, everyOf(graph), DEFAULT_SEWING.stitchesPerMm, LEANS[slant]!);
        const others = Array.from({ length: 200 }, () => sewn(graph, someTree(graph, patches, random), settings));
        for (const { threadStarts, minutes } of others) {
          expect(threadStarts).toBeGreaterThanOrEqual(own.threadStarts);
          if (threadStarts === own.threadStarts) expect(minutes).toBeGreaterThan(own.minutes * (usableNeedlefulMm < 150 ? 0.95 : 0.995));
        }
      });
    }
  },
); // prettier-ignore

test('a narrow field is cut where needlefuls are used up and the work stays light: quicker than in halves, and threads begun at most a quarter too often', () => {
  for (const [rows, columns, share] of [[2, 30, 0.985], [2, 19, 0.99]] as const) {
    const graph = buildSeamGraph(hexagonRows(rows, columns));
    const inHalves = sewn(graph, piecesTree(taskOf(graph), everyOf(graph), 32));
    const { totals } = planAssembly(graph);
    expect(totals.minutes).toBeLessThan(inHalves.minutes * share);
    expect(totals.threadStarts).toBeLessThanOrEqual(1.25 * totals.threadStartsBound);
    expect(totals.bends).toBe(inHalves.bends);
  }
}); // prettier-ignore

test('ends of stretches slant the way that suits the rows, whichever way those are shifted', () => {
  const field = hexagonRows(4, 13);
  const mirrored = field.map((one) => ({ ...one, outline: moveOutline(reflectIn({ x: 0, y: 0 }, 90), one.outline) }));
  const totals = [field, mirrored].map((patches) => planAssembly(buildSeamGraph(patches)).totals);
  for (const { threadStarts, threadStartsBound } of totals) expect(threadStarts).toBeLessThanOrEqual(1.25 * threadStartsBound);
  expect(totals[0]!.minutes).toBeCloseTo(totals[1]!.minutes, 6);
}); // prettier-ignore

test('where all orders as quick begin too many threads, one in larger pieces is taken that takes a little longer', () => {
  const graph = buildSeamGraph(hexagonRows(4, 30));
  const usual = stripTrees(taskOf(graph), everyOf(graph)).map((tree) => sewn(graph, tree));
  const { totals } = planAssembly(graph);
  for (const { threadStarts, threadStartsBound } of usual) expect(threadStarts).toBeGreaterThan(1.25 * threadStartsBound);
  expect(totals.threadStarts).toBeLessThanOrEqual(1.25 * totals.threadStartsBound);
  expect(totals.bends).toBe(usual[0]!.bends);
  expect(totals.minutes).toBeGreaterThan(usual[0]!.minutes);
  expect(totals.minutes).toBeLessThanOrEqual(usual[0]!.minutes * 1.05);
}); // prettier-ignore

test('what is not narrow, too long to be weighed or crossed by lines is no strip; it is the same one whichever way it is turned', () => {
  const tree = (patches: ReturnType<typeof hexagonRows>) => {
    const graph = buildSeamGraph(patches);
    return stripTrees(taskOf(graph), everyOf(graph))[0];
  };
  expect(tree(hexagonMosaic(36))).toBeUndefined();
  expect(tree(hexagonRows(3, 5))).toBeUndefined();
  expect(tree(hexagonRows(3, 6))).toBeDefined();
  expect(tree(hexagonRows(2, 201))).toBeUndefined();
  expect([tree(hexagonRows(4, 8)) === undefined, tree(hexagonRows(5, 10)) === undefined]).toEqual([
    false,
    true,
  ]);
  expect(tree(cutGrid(9, 2, [0]))).toBeUndefined();
  // A strip on end, drawn a hair to either side.
  const onEnd = [89.99, 90, 90.01].map((degrees) =>
    hexagonRows(3, 8).map((one) => ({
      ...one,
      outline: moveOutline(turnAbout({ x: 0, y: 0 }, degrees), one.outline),
    })),
  );
  const trees = onEnd.map(tree);
  for (const one of trees) expect(one).toEqual(trees[0]);
  const graph = buildSeamGraph(hexagonRows(2, 9));
  expect(stripOf(graph, everyOf(graph), DEFAULT_SEWING.stitchesPerMm, 0.03).patches.slice(0, 4)).toEqual([
    0, 9, 1, 10,
  ]);
});
