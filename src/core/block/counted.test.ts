import { expect, test } from 'vitest';
import { overlapOf } from '../booleans';
import { makePaper } from '../catalogue';
import { distance, moveOutline, shiftBy } from '../geometry';
import { cutGrid, hexagonMosaic, patch, rosette } from '../testing';
import { TROUBLES, troublesAt } from '../troubles';
import {
  BLOCK_FORMAT,
  analyseBlock,
  buildSeamGraph,
  groupsOf,
  tidied,
  type BlockDocument,
  type Patch,
} from '.';

const square = (id: number, x: number, y: number, side = 20, layer = 0): Patch => ({
  ...patch(id, [[x, y], [x + side, y], [x + side, y + side], [x, y + side]]), layer,
}); // prettier-ignore

test('seams of two squares: whole side, half a side, a corner alone, a hair apart', () => {
  const seams = (x: number, y: number) => buildSeamGraph([square(0, 0, 0), square(1, x, y)]).seams.map(({ lengthMm }) => lengthMm);
  expect(seams(20, 0)).toEqual([expect.closeTo(20, 9)]);
  expect(seams(20, 10)).toEqual([expect.closeTo(10, 9)]);
  expect(seams(20, 20)).toEqual([]);
  expect(seams(40, 0)).toEqual([]);
  expect(seams(20.005, 0)).toEqual([expect.closeTo(20, 2)]);
  expect(seams(20.4, 0)).toEqual([]);
}); // prettier-ignore

test('patches of different layers are not sewn to each other', () => {
  expect(buildSeamGraph([square(0, 0, 0), square(1, 20, 0, 20, 1)]).seams).toEqual([]);
});

test('three bricks: a joint in the middle of a side makes one inner point with two angles and a straight side', () => {
  const bricks = [patch(0, [[0, 0], [40, 0], [40, 20], [0, 20]]), patch(1, [[40, 0], [80, 0], [80, 20], [40, 20]]), patch(2, [[20, 20], [60, 20], [60, 40], [20, 40]])]; // prettier-ignore
  const graph = buildSeamGraph(bricks);
  expect(graph.seams.map(({ patches: pair, lengthMm }) => [...pair, Math.round(lengthMm)]).sort()).toEqual([[0, 1, 20], [0, 2, 20], [1, 2, 20]]);
  expect(graph.isInner.filter(Boolean)).toHaveLength(1);
  const at = graph.sides.places[graph.isInner.findIndex(Boolean)]!;
  expect(distance(at, { x: 40, y: 20 })).toBeLessThan(0.01);
}); // prettier-ignore

test.each([
  ['a gap of 1 mm between long sides', [square(0, 0, 0), square(1, 21, 0)], true],
  ['sides that meet', [square(0, 0, 0), square(1, 20, 0)], false],
  ['squares that lie on each other by 2 mm', [square(0, 0, 0), square(1, 18, 0)], true],
  ['squares on each other in two layers', [square(0, 0, 0), square(1, 10, 0, 20, 1)], false],
] as const)('problems: %s', (_, patches, isProblem) => {
  expect(analyseBlock(patches).problems.length > 0).toBe(isProblem);
});

test('groups: what hangs together by seams, without those that are left out, in the order given', () => {
  const row = buildSeamGraph(cutGrid(5, 1, [0]));
  const cut = row.seams.findIndex(({ patches: [a, b] }) => a === 1 && b === 2);
  expect(groupsOf(row, [0, 1, 2, 3, 4])).toHaveLength(1);
  expect(groupsOf(row, [0, 1, 2, 3, 4], new Set([cut])).map((group) => [...group].sort())).toEqual([[0, 1], [2, 3, 4]]);
  expect(groupsOf(row, [0, 2, 3]).map((group) => [...group].sort())).toEqual([[0], [2, 3]]);
  expect(groupsOf(buildSeamGraph(rosette(1)), [0, 4, 5])).toHaveLength(3);
}); // prettier-ignore

test('hexagons in a mosaic: each inner one has six seams, all of one length', () => {
  const { seams, seamsOf } = buildSeamGraph(hexagonMosaic(64));
  const degrees = seamsOf.map((own) => own.length);
  expect(Math.max(...degrees)).toBe(6);
  expect(degrees.reduce((sum, one) => sum + one, 0)).toBe(2 * seams.length);
  for (const { lengthMm } of seams) expect(lengthMm).toBeCloseTo(seams[0]!.lengthMm, 6);
});

test('what speaks of patches that are gone goes with them: rules, parts, folds; the rest stays', () => {
  const patches = cutGrid(3, 1, [0]).map((one) => ({ ...one, part: 'p1' }));
  const [a, b, c] = patches.map(({ id }) => id) as [string, string, string];
  const document = {
    format: BLOCK_FORMAT,
    patches,
    parts: [{ id: 'p1' }, { id: 'p2' }],
    rules: [
      { id: 'r1', kind: 'same', patches: [a, b] },
      { id: 'r2', kind: 'same', patches: [a, b, c] },
      { id: 'r3', kind: 'differ' },
    ],
    basting: { patches: { [c]: 'clockwise', [a]: 'clockwise' } },
    notes: { 'join-1': 'mind' },
  } as unknown as BlockDocument;
  const kept = tidied({ ...document, patches: patches.slice(1) });
  expect(kept.rules?.map((rule) => [rule.id, 'patches' in rule ? rule.patches : undefined])).toEqual([['r2', [b, c]], ['r3', undefined]]);
  expect(kept.parts?.map(({ id }) => id)).toEqual(['p1']);
  expect(kept.basting?.patches).toEqual({ [c]: 'clockwise' });
  expect(kept.notes).toEqual({ 'join-1': 'mind' });
  expect(tidied(document).rules).toEqual(document.rules);
}); // prettier-ignore

test('what two outlines cover together, by known areas', () => {
  const one = square(0, 0, 0).outline;
  const shifted = (x: number, y: number) => moveOutline(shiftBy(x, y), one);
  expect(overlapOf(one, shifted(10, 5)).area).toBeCloseTo(150, 3);
  expect(overlapOf(one, shifted(10, 5)).at).toEqual({ x: expect.closeTo(15, 3), y: expect.closeTo(12.5, 3) });
  expect(overlapOf(one, shifted(20, 0)).area).toBe(0);
  expect(overlapOf(one, one).area).toBeCloseTo(400, 3);
  const disc = makePaper({ family: 'clamshell', widthMm: 20 } as never);
  expect(overlapOf(disc, disc).area).toBeCloseTo(200, 0);
});

test('every trouble tells its sign, cause, remedy and how to avoid it, and is met at some moment', () => {
  expect(new Set(TROUBLES.map(({ id }) => id)).size).toBe(TROUBLES.length);
  for (const { symptom, cause, remedy, avoid, at } of TROUBLES) {
    for (const text of [symptom, cause, remedy, avoid]) expect(text).toMatch(/^[A-Z].*\.$/);
    expect(at.length).toBeGreaterThan(0);
    expect(troublesAt(at).length).toBeGreaterThan(0);
  }
  expect(troublesAt([])).toEqual([]);
  const both = troublesAt(['baste', 'join']).map(({ id }) => id);
  expect(new Set(both).size).toBe(both.length);
});
