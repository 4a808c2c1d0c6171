import { expect, test } from 'vitest';
import { buildSeamGraph, type Patch } from '../block';
import { makePaper } from '../catalogue';
import { defaultRecipe, generate } from '../generate';
import { moveOutline, turnAbout } from '../geometry';
import { cutGrid, hexagonMosaic, mixedMosaic, patch, plate, rosette, starOfDiamonds } from '../testing';
import { recogniseFigure } from './figures';
import { findSquares } from './motifs';
import { MOST_SLIDE_MM, slidesAt, slidesBetween, waysToSlide } from './slides';
import { Units } from './units';

const named = (patches: readonly Patch[]) =>
  recogniseFigure(
    buildSeamGraph(patches),
    patches.map((_, i) => i),
  )?.name;

test.each<[string, readonly Patch[], string | undefined]>([
  ['seven hexagons', rosette(1), 'rosette'],
  ['three rings of hexagons', rosette(3), 'rosette'],
  ['a field of hexagons', hexagonMosaic(36), 'mosaic'],
  ['squares in rows', cutGrid(4, 3, [0]), 'rows'],
  ['two squares are no figure', cutGrid(2, 1, [0]), undefined],
  ['six diamonds round a point', starOfDiamonds(6), 'star'],
  ['blades in a ring', plate(12), 'turned'],
  ['wedges of kites with wings', generate(defaultRecipe('beams')), 'kites'],
  ['squares in turn with halves', generate(defaultRecipe('grid')), 'half-squares'],
  ['clamshells', generate(defaultRecipe('clamshell')), 'rows'],
])('recognised at sight: %s', (_, patches, name) => {
  expect(named(patches)).toBe(name);
});

test('a figure stays what it is when it is turned, moved, named otherwise and dyed', () => {
  for (const patches of [rosette(2), starOfDiamonds(8), generate(defaultRecipe('grid')), mixedMosaic(30)]) {
    const motion = { ...turnAbout({ x: 5, y: 9 }, 37), x: 40, y: -12 };
    const other = patches.map((one, i) => ({ ...one, id: `z${i}`, fabric: `Cloth ${i % 3}`, outline: moveOutline(motion, one.outline) })); // prettier-ignore
    expect(named(other)).toBe(named(patches));
  }
});

test('one patch of another shape, and it is no rosette any more', () => {
  const [first, ...rest] = rosette(1);
  expect(named(rest)).not.toBe('rosette');
  const smaller = { ...first!, outline: { ...first!.outline, corners: first!.outline.corners.map(({ x, y }) => ({ x: x * 0.98, y: y * 0.98 })) } }; // prettier-ignore
  expect(named([smaller, ...rest])).not.toBe('rosette');
});

test('triangles that make a square are found once each; those that meet by a leg are not', () => {
  const at = (x: number) => [patch(x, [[x, 0], [x + 20, 0], [x, 20]]), patch(x + 1, [[x + 20, 0], [x + 20, 20], [x, 20]])]; // prettier-ignore
  const two = [...at(0), ...at(20)];
  expect(findSquares(buildSeamGraph(two), [0, 1, 2, 3]).map(({ patches }) => patches)).toEqual([[0, 1], [2, 3]]); // prettier-ignore
  expect(findSquares(buildSeamGraph(two), [0, 2, 3]).map(({ patches }) => patches)).toEqual([[2, 3]]);
  const byLeg = [patch(0, [[0, 0], [20, 0], [0, 20]]), patch(1, [[0, 0], [20, 0], [0, -20]])]; // prettier-ignore
  expect(findSquares(buildSeamGraph(byLeg), [0, 1]).map(({ patches }) => patches)).toEqual([]);
  expect(
    findSquares(buildSeamGraph(starOfDiamonds(6)), [0, 1, 2, 3, 4, 5]).map(({ patches }) => patches),
  ).toEqual([]);
});

test('a diamond of hexagons turns onto itself by half a turn, which is nothing that is seen: it is a field', () => {
  const [w, h] = [25.4 * 1.5, 25.4 * Math.sqrt(0.75)];
  const diamond = Array.from({ length: 25 }, (_, i) => {
    const [q, r] = [i % 5, Math.floor(i / 5)];
    const corner = (k: number) => [w * q + 25.4 * Math.cos((k * Math.PI) / 3), h * (2 * r + q) + 25.4 * Math.sin((k * Math.PI) / 3)] as const; // prettier-ignore
    return patch(i, [0, 1, 2, 3, 4, 5].map(corner));
  });
  expect(named(diamond)).toBe('mosaic');
});

const graph = buildSeamGraph(rosette(1));
const everything = () => true;

test('every side of a patch is slid along both ways, and no side longer than is hidden in one go', () => {
  const all = graph.places.flatMap((_, place) => [...slidesAt(graph, place)]);
  expect(all).toHaveLength(2 * 6 * 7);
  for (const { patch: own, side, from, to, lengthMm } of all) {
    expect(all.some((back) => back.patch === own && back.side === side && back.from === to && back.to === from)).toBe(true); // prettier-ignore
    const { corners } = graph.patches[own]!.outline;
    const [a, b] = [corners[side]!, corners[(side + 1) % 6]!];
    expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeCloseTo(lengthMm, 6);
  }
  const long = buildSeamGraph([{ id: 'a', outline: makePaper({ family: 'rectangle', widthMm: 59, lengthMm: 61 }), fabric: 'x', layer: 0 }]); // prettier-ignore
  const own = long.sides.places.flatMap((_, place) => [...slidesAt(long, place)]);
  expect(own.map(({ lengthMm }) => Math.round(lengthMm))).toEqual([59, 59, 59, 59]);
  expect(MOST_SLIDE_MM).toBe(60);
});

test('the way of the needle: none where it is there already, one fold before two, never three, and only through what is in hand', () => {
  const { corners } = graph.patches[0]!.outline;
  const places = corners.map(({ x, y }) => graph.places.findIndex((at) => Math.hypot(at.x - x, at.y - y) < 0.1));
  const known = places.every((place) => place >= 0) ? places : graph.sides.startPlace.slice(0, 6);
  const [a, b, c, d] = [known[0]!, known[1]!, known[2]!, known[3]!];
  const own = (one: number) => one === 0;
  expect(slidesBetween(graph, a, a, () => false)).toEqual([]);
  expect(slidesBetween(graph, a, b, own)).toHaveLength(1);
  expect(slidesBetween(graph, a, c, own)).toHaveLength(2);
  expect(slidesBetween(graph, a, d, own)).toBeUndefined();
  expect(slidesBetween(graph, a, b, () => false)).toBeUndefined();
  const way = slidesBetween(graph, a, c, everything)!;
  expect([way[0]!.from, way[0]!.to, way[1]!.to]).toEqual([a, way[1]!.from, c]);
  expect(waysToSlide(graph, a, b).every((one) => one.length <= 2)).toBe(true);
  expect(waysToSlide(graph, a, b).length).toBeGreaterThanOrEqual(1);
  expect(slidesBetween({ ...graph, isOfUnits: true }, a, b, own)).toBeUndefined();
}); // prettier-ignore

test('units grow together and stay apart, in whatever order they are united', () => {
  const units = new Units(6);
  units.unite(0, 1);
  units.unite(4, 5);
  expect([units.areOne(0, 1), units.areOne(1, 4), units.areOne(2, 3), units.areOne(3, 3)]).toEqual([true, false, false, true]); // prettier-ignore
  units.unite(5, 1);
  for (const one of [0, 1, 4, 5]) expect(units.areOne(one, 4)).toBe(true);
  expect(units.areOne(2, 0)).toBe(false);
});
