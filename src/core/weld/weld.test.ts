import fc from 'fast-check';
import { expect, test } from 'vitest';
import { analyseBlock, type Patch } from '../block';
import { RECIPE_NAMES, defaultRecipe, generate, type RecipeKind } from '../generate';
import { areaOf, boxOf, distance, findSelfCrossing } from '../geometry';
import { planBlock } from '../sheet';
import * as drawn from '../testing';
import { weldPatches } from '.';
import { clusterCorners } from './corners';
import { placesOnSides } from './sides';

/** What must not change when a drawing is shaken: everything that is made of it. */
function madeOf(patches: readonly Patch[]) {
  const settings = { allowanceMm: 6.35, system: 'metric', marks: [], basting: {} } as const;
  const { graph, plan, sorted, steps, problems } = planBlock(patches, settings, undefined);
  const id = (patch: number) => graph.patches[patch]?.id as string;
  return {
    seams: graph.seams.map(({ patches: pair }) => pair.map(id).sort().join()).sort(),
    openEdges: graph.openEdges.length,
    bends: [plan.totals.bends, plan.bendsBound, plan.bendsLeast],
    kinds: graph.patches.map((_, patch) => `${sorted.kindOf[patch]}${sorted.handOf[patch]}`),
    steps: steps.map((step) => step.id),
    problems: problems.map(({ code }) => code),
  };
}

const weld = (patches: readonly Patch[], reachMm: number) =>
  weldPatches(patches, { reachMm, system: 'metric' });

const DRAWINGS: readonly (readonly [string, () => readonly Patch[]])[] = [
  ...(Object.keys(RECIPE_NAMES) as RecipeKind[]).map(
    (kind) => [kind, () => generate(defaultRecipe(kind))] as const,
  ),
  ['a mosaic of hexagons', () => drawn.hexagonMosaic(24)],
  ['a strip of hexagons', () => drawn.hexagonRows(3, 6)],
  ['squares, triangles and T-junctions', () => drawn.mixedMosaic(32)],
  ['a star of six', () => drawn.starOfDiamonds(6)],
  ['a grid with diagonals', () => drawn.cutGrid(4, 4, [0, 1, 2, 1, 0, 2, 1])],
  ['a grid that turns onto itself', () => drawn.cutGrid(5, 5, [0, 1, 2, 1, 0])],
  ['a grid with its middle on a seam', () => drawn.cutGrid(6, 3, [0, 0, 1, 2, 1, 0, 2])],
  ['a ring of trapezoids', () => drawn.plate(12)],
];

const shakes = [
  [0.15, 0.5],
  [0.3, 1],
] as const;

test.each(DRAWINGS)('%s, shaken by less than the reach, is planned exactly as the clean one', (_, make) => {
  const clean = make();
  const made = madeOf(clean);
  for (const [byMm, reachMm] of shakes) {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
        const rough = drawn.shaken(clean, byMm, drawn.seededRandom(seed));
        expect(madeOf(weld(rough, reachMm).patches)).toEqual(made);
      }),
      { numRuns: 1, seed: 8 },
    );
  }
});

test('rectangles and free shapes cut at random, shaken, are planned as the clean ones', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e9 }), (seed) => {
      const random = drawn.seededRandom(seed);
      const cuts = Array.from({ length: 12 }, () => ({ which: Math.floor(random() * 100), share: random() }));
      for (const clean of [drawn.partition(200, 150, cuts), drawn.cutAtRandom(250, 200, 12, 12, random)])
        expect(madeOf(weld(drawn.shaken(clean, 0.15, random), 0.5).patches)).toEqual(madeOf(clean));
    }),
    { numRuns: 3, seed: 8 },
  );
});

test('papers of a shaken drawing come out as the exact ones that they stand for', () => {
  const rough = drawn.shaken(drawn.rosette(2), 0.15, drawn.seededRandom(5));
  const { patches } = weldPatches(rough, { reachMm: 0.5, system: 'inch' });
  for (const { outline } of patches) expect(Math.abs(areaOf(outline) - 1676.1979)).toBeLessThan(0.05);
});

test.each(DRAWINGS)('%s, drawn exactly, stays as it is', (_, make) => {
  const clean = make();
  const { patches, report } = weld(clean, 1.5);
  patches.forEach((patch, index) => expect(patch).toBe(clean[index]));
  expect(report).toEqual({ reachMm: 1.5, moved: 0, farthestMm: 0, dropped: 0 });
});

test('places on a side stand in the order in which the side comes to them, in whatever order their patches are drawn', () => {
  const square = (id: number, x: number) => drawn.patch(id, [[x, 30], [x + 30, 30], [x + 30, 60], [x, 60]]); // prettier-ignore
  const beam = drawn.patch(0, [[0, 0], [120, 0], [120, 30], [0, 30]]); // prettier-ignore
  for (const order of [
    [0, 30, 60, 90],
    [90, 30, 0, 60],
    [60, 90, 0, 30],
  ]) {
    // prettier-ignore
    const patches = [beam, ...order.map((x, i) => square(i + 1, x))];
    const corners = clusterCorners(patches, patches.map((_, i) => i), 0.5); // prettier-ignore
    const under = placesOnSides(patches, corners, 0.5).find(({ patch, side }) => patch === 0 && side === 2);
    expect(under?.alongs).toEqual([0, 30, 60, 90, 120]);
    expect(under?.places.map((place) => corners.places[place]!.x)).toEqual([120, 90, 60, 30, 0]);
  }
});

test('a place reaches no further than the least of its corners: beside a small patch a gap stays that a large one alone would close', () => {
  const beam = drawn.patch(0, [[0, 0], [120, 0], [120, 30], [0, 30]]); // prettier-ignore
  const large = drawn.patch(1, [[50, 30.8], [90, 30.8], [90, 60], [50, 60]]); // prettier-ignore
  const small = drawn.patch(2, [[48, 30.8], [50, 30.8], [50, 32.8], [48, 32.8]]); // prettier-ignore
  const under = (patches: readonly Patch[]) => {
    const corners = clusterCorners(patches, patches.map((_, i) => i), 1); // prettier-ignore
    const side = placesOnSides(patches, corners, 1).find((one) => one.patch === 0 && one.side === 2);
    return side?.places.map((place) => corners.places[place]!.x);
  };
  expect(under([beam, large])).toEqual([120, 90, 50, 0]);
  expect(under([beam, large, small])).toEqual([120, 90, 0]);
});

test('layers are welded each by itself, and a reach of nothing moves nothing', () => {
  const below = drawn.cutGrid(2, 2, [0]);
  const above = drawn.starOfDiamonds(6).map((patch) => ({ ...patch, id: `over-${patch.id}`, layer: 1 }));
  const clean = [...below, ...above];
  const rough = drawn.shaken(clean, 0.15, drawn.seededRandom(3));
  expect(madeOf(weld(rough, 0.5).patches)).toEqual(madeOf(clean));
  expect(weld(rough, 0).patches).toEqual(rough);
});

test('a gap that is meant stays open: narrow pieces and gaps beyond the reach', () => {
  // Two squares 0.8 mm apart, and slivers 1.6 mm wide whose own corners lie nearer than the reach could take.
  const apart = [drawn.patch(0, [[0, 0], [20, 0], [20, 20], [0, 20]]), drawn.patch(1, [[20.8, 0], [40, 0], [40, 20], [20.8, 20]])]; // prettier-ignore
  expect(weld(apart, 0.5).patches).toEqual(apart);
  expect(analyseBlock(weld(apart, 0.5).patches).problems.map(({ code }) => code)).toContain('near-match');
  const narrow = [0, 1, 2].map((i) => drawn.patch(i, [[0, i * 1.2], [20, i * 1.2], [20, i * 1.2 + 0.8], [0, i * 1.2 + 0.8]])); // prettier-ignore
  expect(weld(narrow, 1.5).patches).toEqual(narrow);
});

test('a curve drawn as many short sides keeps them; a corner off a straight side by a hair goes', () => {
  const turn = (i: number, count: number) => (2 * Math.PI * i) / count;
  const round = drawn.patch(0, Array.from({ length: 60 }, (_, i) => [20 * Math.cos(turn(i, 60)), 20 * Math.sin(turn(i, 60))] as const)); // prettier-ignore
  const beside = drawn.patch(1, [[30, 0], [45, 0.2], [60, 0], [60, 30], [30, 30]]); // prettier-ignore
  const { patches, report } = weld([round, beside], 0.5);
  expect(patches[0]?.outline.corners).toHaveLength(60);
  expect(patches[1]?.outline.corners).toHaveLength(4);
  expect(report.dropped).toBe(1);
});

test('no corner is moved further than 1.2 reaches, no patch turned inside out, and nothing is ever thrown', () => {
  const any = fc.integer({ min: 1, max: 1e9 });
  fc.assert(
    fc.property(any, fc.constantFrom(0.5, 1.5), fc.integer({ min: 0, max: 30 }), (seed, reachMm, tenths) => {
      const random = drawn.seededRandom(seed);
      const tangle = Array.from({ length: 6 }, (_, i) => drawn.patch(i, Array.from({ length: 3 + Math.floor(random() * 4) }, () => [random() * 60, random() * 60] as const))); // prettier-ignore
      const clean = [tangle, drawn.rosette(1), drawn.plate(8), generate(defaultRecipe('clamshell'))][seed % 4] as Patch[]; // prettier-ignore
      const rough = drawn.shaken(clean, tenths / 10, random);
      const { patches, report } = weld(rough, reachMm);
      expect(report.farthestMm).toBeLessThanOrEqual(1.2 * reachMm);
      patches.forEach(({ outline }, i) => {
        const was = rough[i]?.outline as Patch['outline'];
        if (outline.corners.length !== was.corners.length) return;
        outline.corners.forEach((corner, k) => expect(distance(corner, was.corners[k]!)).toBeLessThanOrEqual(1.2 * reachMm)); // prettier-ignore
      });
      expect(patches.every(({ outline }) => Number.isFinite(boxOf(outline).minX))).toBe(true);
      // What ran round its patch once still does.
      patches.forEach(({ outline }, i) => {
        if (!findSelfCrossing(rough[i]!.outline)) expect(findSelfCrossing(outline)).toBeUndefined();
      });
      expect(() => madeOf(patches)).not.toThrow();
    }),
    { numRuns: 12, seed: 8 },
  );
});

/*
 * What becomes of a shaken drawing, to a millionth of a millimetre: it is kept as the drawing from then on. Where one of these
 * changes on purpose, look at how far its corners moved, and take its letters over.
 */
test.each([
  ['rosette', 'd1eab4fb 719056ee'],
  ['grid', 'ff23243d c648a834'],
  ['star', 'e3330e25 1ff97667'],
  ['plate', '3a20c424 883cc34e'],
  ['clamshell', 'b924c09a 29b139be'],
  ['framed-diamond', '4a245a6e 4c78cc40'],
  ['beams', '3cd8e099 b9f6c648'],
  ['disc', 'b37a28f5 e3eccf07'],
  ['a mosaic of hexagons', 'b0e9946f 24cacffa'],
  ['squares, triangles and T-junctions', 'f2a43b34 307ff9ac'],
  ['a grid with diagonals', '68d50a9d d4af0d20'],
  ['a ring of trapezoids', '237d1cdb 7f6b29f1'],
] as const)('%s, shaken in one way, is welded into this', (name, told) => {
  const [, make] = DRAWINGS.find(([other]) => other === name)!;
  const rough = drawn.shaken(make(), 0.25, drawn.seededRandom(5));
  expect([weld(rough, 1), weld(rough, 0.4)].map(drawn.fingerprint).join(' ')).toBe(told);
});
