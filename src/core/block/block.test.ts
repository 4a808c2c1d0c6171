import fc from 'fast-check';
import { expect, test } from 'vitest';
import { edgesOf, locate, movedOutline, pointAt, edgeLength, type Edge } from '../geometry';
import { cutGrid, hexagonMosaic, mixedMosaic, partition, patch, plate, rosette } from '../testing';
import { analyseBlock, buildSeamGraph, type Patch, type SeamGraph } from '.';

const grid = fc
  .tuple(
    fc.integer({ min: 1, max: 5 }),
    fc.integer({ min: 1, max: 5 }),
    fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 1, maxLength: 25 }),
  )
  .map(([columns, rows, cuts]) => cutGrid(columns, rows, cuts));
const cutUp = fc
  .array(
    fc.record({ which: fc.nat(50), share: fc.integer({ min: 2, max: 8 }).map((tenths) => tenths / 10) }),
    { maxLength: 20 },
  )
  .map((cuts) => partition(200, 160, cuts));
const drawing = fc.oneof(grid, cutUp);

/** Brute-force twin: how much of each pair's edges coincide, by walking along every edge of every pair. */
function sharedByWalking(patches: readonly Patch[]): Map<string, number> {
  const STEP = 0.5;
  const shared = new Map<string, number>();
  patches.forEach((a, i) =>
    patches.slice(i + 1).forEach((b, k) => {
      let length = 0;
      for (const edge of edgesOf(a.outline)) {
        const count = Math.round(edgeLength(edge) / STEP);
        for (let s = 0; s < count; s++) {
          const point = pointAt(edge, ((s + 0.5) * edgeLength(edge)) / count);
          if (edgesOf(b.outline).some((other) => isOn(other, point) && isOpposite(edge, other)))
            length += edgeLength(edge) / count;
        }
      }
      if (length > 1) shared.set(`${i}-${i + 1 + k}`, length);
    }),
  );
  return shared;
}

function isOn(edge: Edge, point: { x: number; y: number }): boolean {
  return locate(edge, point).off < 0.01;
}

function isOpposite(a: Edge, b: Edge): boolean {
  return (a.b.x - a.a.x) * (b.b.x - b.a.x) + (a.b.y - a.a.y) * (b.b.y - b.a.y) < 0;
}

test('finds the seams that a brute-force walk along all pairs of edges finds', () => {
  fc.assert(
    fc.property(drawing, (patches) => {
      const graph = buildSeamGraph(patches);
      const found = new Map<string, number>();
      for (const { patches: [a, b], lengthMm } of graph.seams) found.set(`${a}-${b}`, (found.get(`${a}-${b}`) ?? 0) + lengthMm);
      const walked = sharedByWalking(patches);
      expect([...found.keys()].sort()).toEqual([...walked.keys()].sort());
      for (const [pair, length] of walked) expect(Math.abs((found.get(pair) ?? 0) - length)).toBeLessThan(1.1);
    }),
    { numRuns: 40 },
  );
}); // prettier-ignore

/** V − E + F for the graph of places, seams and open edges; F counts patches, the outside and holes. */
function euler({ patches, seams, openEdges, places }: SeamGraph): number {
  const used = new Set<string>();
  const key = ({ x, y }: { x: number; y: number }) => `${Math.round(x * 4)},${Math.round(y * 4)}`;
  for (const { start, end } of seams) for (const { place } of [start, end]) used.add(key(places[place]!));
  for (const { path } of openEdges) [path[0]!, path.at(-1)!].forEach((point) => used.add(key(point)));
  return used.size - (seams.length + openEdges.length) + patches.length + 1;
}

test('satisfies Euler’s formula', () => {
  for (const patches of [rosette(1), rosette(2), rosette(3), hexagonMosaic(25), mixedMosaic(40)]) {
    expect(euler(buildSeamGraph(patches))).toBe(2);
  }
  fc.assert(
    fc.property(grid, (patches) => {
      expect(euler(buildSeamGraph(patches))).toBe(2);
    }),
  );
});

test('edges are either sewn or open: lengths add up', () => {
  fc.assert(
    fc.property(drawing, (patches) => {
      const { seams, openEdges } = buildSeamGraph(patches);
      const total = patches
        .flatMap(({ outline }) => edgesOf(outline))
        .reduce((sum, edge) => sum + edgeLength(edge), 0);
      const sewn = seams.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
      const open = openEdges.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
      expect(2 * sewn + open).toBeCloseTo(total, 3);
    }),
  );
});

test('turning and moving the drawing changes nothing', () => {
  fc.assert(
    fc.property(drawing, fc.integer({ min: 1, max: 359 }), (patches, degrees) => {
      const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
      const moved = patches.map((one) => ({ ...one, outline: movedOutline(one.outline, ({ x, y }) => ({ x: x * cos - y * sin + 311, y: x * sin + y * cos - 97 })) }));
      const shape = ({ seams, openEdges, isInner }: SeamGraph) => [seams.length, openEdges.length, isInner.filter(Boolean).length];
      expect(shape(buildSeamGraph(moved))).toEqual(shape(buildSeamGraph(patches)));
    }),
    { numRuns: 30 },
  );
}); // prettier-ignore

test('rosettes have the seams, intersections and open edges that can be counted by hand', () => {
  const count = (rings: number) => {
    const { seams, openEdges, isInner, seamsAt } = buildSeamGraph(rosette(rings));
    return [
      seams.length,
      openEdges.length,
      isInner.filter((inner, place) => inner && seamsAt[place]?.length === 3).length,
    ];
  };
  expect(count(1)).toEqual([12, 18, 6]);
  expect(count(2).slice(0, 2)).toEqual([42, 30]);
});

test('a corner in the middle of a neighbour’s edge splits the seam; a bend does not', () => {
  const brick = [[[0, 0], [40, 0], [40, 20], [0, 20]], [[0, 20], [20, 20], [20, 40], [0, 40]], [[20, 20], [40, 20], [40, 40], [20, 40]]] as const; // prettier-ignore
  expect(
    buildSeamGraph(brick.map((points, i) => patch(i, points))).seams.map(({ lengthMm }) => lengthMm),
  ).toEqual([20, 20, 20]);
  const nested = [[[0, 0], [40, 0], [40, 20], [20, 20], [20, 40], [0, 40]], [[20, 20], [40, 20], [40, 40], [20, 40]]] as const; // prettier-ignore
  const [seam, ...more] = buildSeamGraph(nested.map((points, i) => patch(i, points))).seams;
  expect([more.length, seam?.lengthMm, seam?.innerBends.length]).toEqual([0, 40, 1]);
});

test('curved edges on one circle share a seam', () => {
  const bulge = Math.tan(Math.PI / 8);
  const wedge: Patch = { id: 'w', fabric: 'a', layer: 0, outline: { corners: [{ x: 0, y: 0 }, { x: 50, y: 0 }, { x: 0, y: 50 }], bulges: [0, bulge, 0] } }; // prettier-ignore
  const frame: Patch = { id: 'f', fabric: 'a', layer: 0, outline: { corners: [{ x: 50, y: 0 }, { x: 60, y: 0 }, { x: 60, y: 60 }, { x: 0, y: 60 }, { x: 0, y: 50 }], bulges: [0, 0, 0, 0, -bulge] } }; // prettier-ignore
  const { seams } = buildSeamGraph([wedge, frame]);
  expect(seams).toHaveLength(1);
  expect(seams[0]?.lengthMm).toBeCloseTo((50 * Math.PI) / 2, 3);
});

const square = (id: string, x: number, y: number, w = 30, h = 30): Patch => ({ ...patch(0, [[x, y], [x + w, y], [x + w, y + h], [x, y + h]]), id }); // prettier-ignore

test.each([
  ['overlap', [square('a', 0, 0), square('b', 27, 0)]],
  ['duplicate', [square('a', 0, 0), square('b', 30, 0), square('c', 0, 0)]],
  ['near-match', [square('a', 0, 0), square('b', 30.6, 0)]],
  ['near-match', [square('a', 0, 0), square('b', 0, 30, 30.7)]],
  ['sliver', [square('a', 0, 0), square('b', 31, 8, 30, 40)]],
  ['unjoined', [square('a', 0, 0), square('b', 30, 0), square('lone', 200, 0)]],
  ['separate-groups', [square('a', 0, 0), square('b', 30, 0), square('c', 200, 0), square('d', 230, 0)]],
])('reports %s with its place', (code, patches) => {
  const { problems } = analyseBlock(patches as Patch[]);
  expect(problems.map((problem) => problem.code)).toContain(code);
  expect(problems.every(({ at, message }) => Number.isFinite(at.x + at.y) && message.endsWith('.'))).toBe(
    true,
  );
});

test('edges that nearly match: only what differs is said', () => {
  const says = (patches: readonly Patch[]) => analyseBlock(patches).problems.find(({ code }) => code === 'near-match')?.message; // prettier-ignore
  expect(says([square('a', 0, 0), square('b', 30.6, 0)])).toBe('The edges of a and b nearly match: they lie up to 0.60 mm apart. Move them onto each other to sew them.'); // prettier-ignore
  expect(says([square('a', 0, 0), square('b', 30.6, 0, 30, 30.7)])).toBe('The edges of a and b nearly match: lengths differ by 0.70 mm, they lie up to 0.60 mm apart. Move them onto each other to sew them.'); // prettier-ignore
});

test('sound drawings have no problems, and what lies on a higher layer overlaps nothing', () => {
  for (const patches of [rosette(3), plate(14), mixedMosaic(60), hexagonMosaic(60)])
    expect(analyseBlock(patches).problems).toEqual([]);
  const over = [...cutGrid(2, 2, [0]), { ...square('disc', 20, 20, 12, 12), layer: 1 }];
  expect(analyseBlock(over).problems).toEqual([]);
});
