import fc from 'fast-check';
import { expect, test } from 'vitest';
import { buildSeamGraph } from '../block';
import { cutGrid, rosette, starOfDiamonds } from '../testing';
import { findClashes, planBasting, tailLength, tailsOf, type FoldOrder } from '.';

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
