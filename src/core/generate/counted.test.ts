import { expect, test } from 'vitest';
import { buildSeamGraph, findFlatness } from '../block';
import { areaOf, cornerAngles, edgesOf, edgeLength } from '../geometry';
import { movePatches } from '../workshop';
import { shiftBy } from '../geometry';
import {
  defaultRecipe,
  documentOfRecipe,
  generate,
  patchesOfPart,
  remakePart,
  wholeRecipe,
  type Recipe,
} from '.';

/** A recipe of a kind with some figures. */
function made<K extends Recipe['kind']>(kind: K, figures: Partial<Extract<Recipe, { kind: K }>>) {
  const patches = generate({ ...defaultRecipe(kind), ...figures } as Recipe);
  const graph = buildSeamGraph(patches);
  return {
    patches,
    seams: graph.seams.length,
    inner: findFlatness(graph).innerPoints,
    open: graph.openEdges.length,
    areaMm2: patches.reduce((sum, { outline }) => sum + areaOf(outline), 0),
    fabrics: (fabric: string) => patches.filter((one) => one.fabric === fabric).length,
  };
}

/** Hexagon numbers and their rims, counted on squared paper. */
test.each([
  [0, 1, 0, 0, 6],
  [1, 7, 12, 6, 18],
  [2, 19, 42, 24, 30],
  [3, 37, 90, 54, 42],
])('a rosette of %i rings has %i hexagons, %i seams, %i inner points and %i open edges', (rings, count, seams, inner, open) => {
  if (rings === 0) return;
  const rosette = made('rosette', { rings, edgeMm: 20 });
  expect([rosette.patches.length, rosette.seams, rosette.inner, rosette.open]).toEqual([count, seams, inner, open]);
  expect(rosette.areaMm2).toBeCloseTo((count * 3 * Math.sqrt(3) * 400) / 2, 6);
  for (const { outline } of rosette.patches) for (const angle of cornerAngles(outline)) expect(angle).toBeCloseTo(120, 6);
}); // prettier-ignore

test.each([
  [2, 1, 'none', 2, 1, 0],
  [3, 3, 'none', 9, 12, 4],
  [4, 2, 'none', 8, 10, 3],
  // Every other square is two triangles: a seam more in each of those.
  [3, 3, 'every-other', 13, 16, 4],
  [2, 2, 'every-other', 6, 6, 1],
] as const)('a grid of %i × %i, triangles %s: %i patches, %i seams, %i inner points', (columns, rows, triangles, count, seams, inner) => {
  const grid = made('grid', { columns, rows, triangles, edgeMm: 30 });
  expect([grid.patches.length, grid.seams, grid.inner]).toEqual([count, seams, inner]);
  expect(grid.areaMm2).toBeCloseTo(columns * rows * 900, 6);
}); // prettier-ignore

test.each([5, 6, 8, 12])('a star of %i diamonds closes round its point, each with its share of the turn', (points) => {
  const star = made('star', { points, edgeMm: 40, surround: 'none' });
  expect([star.patches.length, star.seams, star.inner, star.open]).toEqual([points, points, 1, 2 * points]);
  expect(star.areaMm2).toBeCloseTo(points * 1600 * Math.sin((2 * Math.PI) / points), 4);
  for (const { outline } of star.patches) expect(Math.min(...cornerAngles(outline))).toBeCloseTo(360 / points, 6);
}); // prettier-ignore

test('an eight-pointed star with squares and triangles set in is a square', () => {
  const star = made('star', { points: 8, edgeMm: 40, surround: 'set-in' });
  expect(star.patches).toHaveLength(16);
  const side = 40 * (2 + Math.SQRT2);
  expect(star.areaMm2).toBeCloseTo(side * side, 4);
  const square = star.patches.filter(({ outline }) => cornerAngles(outline).every((angle) => Math.abs(angle - 90) < 1e-6));
  expect(square).toHaveLength(4);
}); // prettier-ignore

test.each([
  ['whole', 1],
  ['half', 0.5],
] as const)('a %s disc of wedges is as large as it is', (portion, share) => {
  const disc = made('disc', { wedges: 8, radiusMm: 60, portion });
  expect(disc.areaMm2).toBeCloseTo(share * Math.PI * 3600, 3);
  expect(disc.patches).toHaveLength(8 * share);
  expect(disc.seams).toBe(portion === 'whole' ? 8 : 3);
});

test('a clamshell is half the square of its width, in every row', () => {
  const shells = made('clamshell', { widthMm: 50, columns: 3, rows: 3 });
  const whole = shells.patches.filter(({ outline }) => Math.abs(areaOf(outline) - 1250) < 1e-3);
  expect(whole.length).toBeGreaterThanOrEqual(8);
  for (const { outline } of whole) {
    const arcs = edgesOf(outline).filter(({ bulge }) => bulge !== 0);
    expect(arcs.reduce((sum, edge) => sum + edgeLength(edge), 0)).toBeCloseTo(2 * Math.PI * 25, 3);
  }
});

test('blades of a plate take their fabrics in turn; with a centre there is one disc more, on a higher layer', () => {
  const bare = made('plate', { blades: 12, innerMm: 20, outerMm: 80, tip: 'pointed', centre: 'no' });
  const plate = made('plate', { blades: 12, innerMm: 20, outerMm: 80, tip: 'pointed', centre: 'yes' });
  expect([bare.patches.length, plate.patches.length]).toEqual([12, 13]);
  expect(new Set(bare.patches.map(({ layer }) => layer)).size).toBe(1);
  expect(plate.patches.at(-1)!.layer).toBe(plate.patches[0]!.layer + 1);
  const [first, second] = bare.patches;
  expect(first!.fabric).not.toBe(second!.fabric);
  const turns = new Set(bare.patches.map(({ fabric }) => fabric)).size;
  expect(bare.fabrics(first!.fabric)).toBe(12 / turns);
  expect(turns).toBeGreaterThan(1);
});

test('rings of a rosette take their fabrics from the middle outwards', () => {
  const { patches } = made('rosette', { rings: 2, fabrics: ['a', 'b', 'c'] });
  const count = (fabric: string) => patches.filter((one) => one.fabric === fabric).length;
  expect([count('a'), count('b'), count('c')]).toEqual([1, 6, 12]);
});

const recipe = { ...defaultRecipe('rosette'), rings: 1 } as Recipe;

test('made again with other figures: painted cloth, locks and what was taken out stay; what was moved goes back and is told', () => {
  const start = documentOfRecipe(recipe);
  const [middle, petal, moved, gone] = start.patches;
  const edited = movePatches(
    {
      ...start,
      patches: start.patches
        .filter((one) => one !== gone)
        .map((one) => (one === petal ? { ...one, fabric: 'Mine', isLocked: true } : one)),
    },
    [start.patches.indexOf(moved!)],
    shiftBy(3, 0),
  );
  const { document, putBack } = remakePart(edited, 'p1', { ...recipe, edgeMm: 40 } as Recipe);
  expect(putBack).toEqual([moved!.id]);
  expect(document.patches).toHaveLength(6);
  const by = (id: string) => document.patches.find((one) => one.id === id);
  expect(by(petal!.id)).toMatchObject({ fabric: 'Mine', isLocked: true });
  expect(by(gone!.id)).toBeUndefined();
  expect(edgeLength(edgesOf(by(middle!.id)!.outline)[0]!)).toBeCloseTo(40, 9);
  expect(wholeRecipe(document)).toMatchObject({ edgeMm: 40 });
});

test('a part that is not there changes nothing; a block of two parts, or with a paper of its own, is no whole recipe', () => {
  const start = documentOfRecipe(recipe);
  expect(remakePart(start, 'p9', recipe)).toEqual({ document: start, putBack: [] });
  expect(wholeRecipe(start)).toMatchObject({ rings: 1 });
  expect(wholeRecipe({ ...start, parts: [...start.parts!, { ...start.parts![0]!, id: 'p2' }] })).toBeUndefined();
  expect(wholeRecipe({ ...start, patches: start.patches.map((one, i) => (i === 0 ? { ...one, part: 'p2' } : one)) })).toBeUndefined();
}); // prettier-ignore

test('a part stands where it was put and turned, under its own names', () => {
  const [plain] = patchesOfPart({ id: 'p1', recipe, prefix: '', x: 0, y: 0, turnDeg: 0 });
  const [turned] = patchesOfPart({ id: 'p7', recipe, prefix: 'x-', x: 100, y: -50, turnDeg: 90 });
  expect(turned).toMatchObject({ id: `x-${plain!.id}`, part: 'p7' });
  const [a, b] = [plain!.outline.corners[0]!, turned!.outline.corners[0]!];
  expect(Math.hypot(b.x - 100, b.y + 50)).toBeCloseTo(Math.hypot(a.x, a.y), 9);
  expect((b.x - 100) * a.x + (b.y + 50) * a.y).toBeCloseTo(0, 6);
  expect((b.x - 100) * -a.y + (b.y + 50) * a.x).toBeGreaterThan(0);
});
