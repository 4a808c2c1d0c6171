import fc from 'fast-check';
import { beforeAll, expect, test } from 'vitest';
import { loadSolver } from '@/workers/node/highsSolver';
import type { Point } from '../geometry';
import type { Solver } from '../solver';
import { findSets, placesOf, type Anchor, type FussyCloth, type Repeat } from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

const box = (width: number, height = width): Point[] => [{ x: -width / 2, y: -height / 2 }, { x: width / 2, y: -height / 2 }, { x: width / 2, y: height / 2 }, { x: -width / 2, y: height / 2 }]; // prettier-ignore
const straight: Repeat = { width: 50, height: 50, isHalfDrop: false, offset: { x: 0, y: 0 } };
const piece = (width: number, length: number, selvedge = 0): FussyCloth => ({ width, length, selvedge });
const anchor = (outline: Point[], setOf = 1, id = 'a'): Anchor => ({ id, outline, setOf });

test('places are where the whole cut lies between the selvedges; what touches the rim fits', () => {
  // Cuts of 40 on points 50 apart: 50 to 250 across with a selvedge of 30, 50 to 150 down.
  expect(placesOf(piece(300, 170, 30), straight, box(40))).toHaveLength(15);
  expect(placesOf(piece(300, 169.9, 30), straight, box(40))).toHaveLength(10);
  // Odd columns lie half a repeat lower: 25 and 75 at 50 across, 50 and 100 at 100 across.
  const half = placesOf(piece(120, 120), { ...straight, isHalfDrop: true }, box(20));
  expect(half.map(({ x, y }) => `${x},${y}`)).toEqual(['50,25', '100,50', '50,75', '100,100']);
  expect(() => placesOf(piece(1000, 1000), { ...straight, width: 0.1, height: 0.1 }, box(40))).toThrow(
    'more than 20000 places',
  );
});

test('cuts that only touch do not spoil each other; a hair larger and they do', () => {
  const sets = (side: number) =>
    findSets(piece(300, 80), straight, [anchor(box(side))], solver, 5).anchors[0];
  // Points at 50, 100 … 250 with cuts as wide as the repeat; one row.
  expect(sets(50)).toMatchObject({ places: 5, sets: 5, most: 5 });
  expect(sets(50.01)).toMatchObject({ places: 5, sets: 3, most: 3 });
});

test('whole sets only, the first anchor before the next, whose places are chosen so that the next has most', () => {
  const anchors = [anchor(box(60), 2, 'wheel'), anchor(box(42), 1, 'star')];
  const found = findSets(piece(300, 80), { ...straight, offset: { x: 0, y: -10 } }, anchors, solver, 5);
  // Five places in one row; every second one goes: one whole set of two, placed so that a star has room beside.
  expect(found.anchors).toMatchObject([{ id: 'wheel', sets: 1, most: 1 }, { id: 'star', sets: 1, most: 1 }]); // prettier-ignore
  expect(found.placed.filter((one) => one.anchor === 0)).toHaveLength(2);
  expect(found.isProven).toBe(true);
});

test('where the time ends first it is said what no choice could exceed', () => {
  const inTime: Solver = {
    solve: () => ({ isProven: false, isImpossible: false, values: undefined }),
    bound: () => 4.2,
  };
  const found = findSets(piece(300, 80), straight, [anchor(box(50.01), 2)], inTime, 5);
  // Every second of five places; of four pieces two sets could be made.
  expect(found.anchors).toMatchObject([{ sets: 1, most: 2 }]);
  expect(found.isProven).toBe(false);
  // What may be rounding of a bound of three is no fourth piece.
  const near = findSets(piece(300, 80), straight, [anchor(box(50.01))], { ...inTime, bound: () => 3 - 1e-9 }, 5); // prettier-ignore
  expect(near.anchors).toMatchObject([{ sets: 3, most: 3 }]);
});

/** Every choice of places, weighed: the most that lie clear of each other. Cuts are boxes, compared by their sides. */
function mostByTrying(places: readonly Point[], width: number, height: number): number {
  let best = 0;
  const step = (from: number, taken: readonly Point[]) => {
    best = Math.max(best, taken.length);
    // What is left cannot beat the best once too little is left.
    for (let i = from; taken.length + places.length - i > best; i++) {
      const one = places[i]!;
      if (taken.every((p) => Math.abs(p.x - one.x) >= width || Math.abs(p.y - one.y) >= height)) step(i + 1, [...taken, one]); // prettier-ignore
    }
  };
  step(0, []);
  return best;
}

test('as many sets as trying every choice finds, with any repeat, drop, cut and size of set', () => {
  const length = (min: number, max: number) => fc.integer({ min, max });
  fc.assert(
    fc.property(length(20, 40), length(20, 40), fc.boolean(), length(15, 70), length(15, 70), length(1, 4), (w, h, isHalfDrop, wide, tall, setOf) => {
      const cloth = piece(150, 130, 5);
      const repeat = { width: w, height: h, isHalfDrop, offset: { x: 7, y: 3 } };
      const places = placesOf(cloth, repeat, box(wide, tall));
      const found = findSets(cloth, repeat, [anchor(box(wide, tall), setOf)], solver, 10);
      const [{ sets, most }] = found.anchors as unknown as [{ sets: number; most: number }];
      expect([sets, most]).toEqual(Array(2).fill(Math.floor(mostByTrying(places, wide, tall) / setOf)));
      expect(found.placed).toHaveLength(sets * setOf);
      for (const [i, { at }] of found.placed.entries())
        for (const { at: other } of found.placed.slice(i + 1))
          expect(Math.abs(at.x - other.x) >= wide || Math.abs(at.y - other.y) >= tall).toBe(true);
    }),
    { numRuns: 40 },
  ); // prettier-ignore
});
