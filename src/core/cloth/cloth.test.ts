import fc from 'fast-check';
import { expect, test } from 'vitest';
import { buildSeamGraph, type ClothRule, type Patch } from '../block';
import { plate, rosette } from '../testing';
import { findViolations, neighboursOf, ringsFrom, twoTurns } from '.';

const check = (patches: readonly Patch[], rule: ClothRule) => findViolations(buildSeamGraph(patches), [rule]);
const paint = (patches: readonly Patch[], cloth: (index: number) => string) => patches.map((one, i) => ({ ...one, fabric: cloth(i) })); // prettier-ignore

test('of a ring in turn, one swapped side is found and named', () => {
  const blades = paint(plate(12), (i) => (i % 2 ? 'Woad' : 'Fog'));
  const rule: ClothRule = { id: 'r', kind: 'alternate', patches: blades.map(({ id }) => id) };
  expect(check(blades, rule)).toEqual([]);
  const swapped = paint(blades, (i) => (i === 5 ? 'Fog' : blades[i]!.fabric));
  expect(check(swapped, rule)).toMatchObject([
    { patches: ['p5'], message: expect.stringContaining('should be Woad') },
  ]);
  expect(check(plate(7), { ...rule, patches: plate(7).map(({ id }) => id) })[0]?.message).toContain(
    'odd number',
  );
  expect(check(paint(blades, () => 'Fog'), rule).length).toBeGreaterThan(0); // prettier-ignore
});

test('neighbours that share a cloth, a cloth that faces itself, and one that should share', () => {
  const flower = paint(rosette(1), (i) => (i === 3 ? 'Beacon' : i % 2 ? 'Woad' : 'Fog'));
  const same = (among: readonly number[]): ClothRule => ({ id: 'r', kind: 'same', patches: among.map((i) => flower[i]!.id) }); // prettier-ignore
  expect(check(flower, same([0, 2, 4]))).toEqual([]);
  expect(check(flower, same([0, 2, 1]))).toMatchObject([{ patches: [flower[1]!.id] }]);
  const graph = buildSeamGraph(flower);
  const brute = graph.seams.filter(({ patches: [a, b] }) => flower[a]!.fabric === flower[b]!.fabric);
  expect(check(flower, { id: 'r', kind: 'differ' })).toHaveLength(brute.length);
  const fog = brute.filter(({ patches: [a] }) => flower[a]!.fabric === 'Fog');
  expect(check(flower, { id: 'r', kind: 'not-facing', fabric: 'Fog' })).toHaveLength(fog.length);
});

test.each(['same', 'differ', 'alternate'] as const)('a rule of kind “%s” about patches that are not there, or about none, is kept', (kind) => {
  for (const patches of [[], ['gone', 'gone too']]) expect(check(rosette(1), { id: 'r', kind, patches })).toEqual([]);
}); // prettier-ignore

test('rings are counted in seams, and two turns never put equal beside equal', () => {
  const neighbours = neighboursOf(buildSeamGraph(rosette(2)));
  const middle = neighbours.findIndex(
    (list, i) => list.length === 6 && ringsFrom(neighbours, [i]).every((k) => k <= 2),
  );
  const counts = [0, 1, 2].map((k) => ringsFrom(neighbours, [middle]).filter((one) => one === k).length);
  expect(counts).toEqual([1, 6, 12]);
  fc.assert(
    fc.property(fc.integer({ min: 3, max: 30 }), (blades) => {
      const graph = buildSeamGraph(plate(blades));
      const turns = twoTurns(neighboursOf(graph), graph.patches.map((_, i) => i)); // prettier-ignore
      expect(turns === undefined).toBe(blades % 2 === 1);
      for (const { patches: [a, b] } of turns ? graph.seams : []) expect(turns![a]).not.toBe(turns![b]); // prettier-ignore
    }),
    { numRuns: 15 },
  );
});
