import fc from 'fast-check';
import { expect, test } from 'vitest';
import { itemAt } from '../lists';
import { boltPlan, boltWork, boltsOf, type BoltPlan, type BoltSize } from './boltPlan';

const size = (widthMm: number, lengthMm: number, total: number): BoltSize => ({ what: `${widthMm} × ${lengthMm}`, widthMm, lengthMm, total }); // prettier-ignore

/** Every piece of a plan as it lies on the bolt. */
function piecesOf({ strips }: BoltPlan) {
  return strips.flatMap(({ times, fromMm: top, heightMm, runs }) =>
    Array.from({ length: times }, (_, k) => k).flatMap((k) =>
      runs.flatMap(({ size: own, fromMm, acrossMm, alongMm, rows, count }) =>
        Array.from({ length: count }, (_, i) => {
          const [x, y] = [
            fromMm + Math.floor(i / rows) * acrossMm,
            top + k * heightMm + (i % rows) * alongMm,
          ];
          return { own, x, y, right: x + acrossMm, bottom: y + alongMm, stripEnd: top + (k + 1) * heightMm };
        }),
      ),
    ),
  );
}

test('by hand: squares beside what a strip leaves, two of them one under the other', () => {
  const plan = boltPlan([size(400, 200, 5), size(100, 100, 8)], 1000, false);
  // Two pieces of 400 a strip, 200 left beside them: four squares in two columns of two.
  expect(plan.strips.map(({ times, heightMm }) => [times, heightMm])).toEqual([[2, 200], [1, 200]]);
  expect(plan.strips[0]?.runs).toMatchObject([{ size: 0, columns: 2, count: 2 }, { size: 1, fromMm: 800, columns: 2, rows: 2, count: 4 }]);
  expect(plan.lengthMm).toBe(600);
  // Three through; two across for the long ones, two for the columns and two for their rows, then one.
  expect(boltWork(plan, { throughMinutes: 1, crossMinutes: 0.5, layers: 2 })).toEqual({ through: 3, cross: 7, minutes: 6.5 });
  expect(boltWork(plan, { throughMinutes: 1, crossMinutes: 0.5, layers: 1 }).cross).toBe(13);
  // Where the long ones may stand upright, five go side by side.
  expect(boltPlan([size(400, 200, 5), size(100, 100, 8)], 1000).lengthMm).toBe(500);
  expect([boltsOf(plan, 400), boltsOf(plan, 600), boltsOf(plan, 199)]).toEqual([2, 1, undefined]);
}); // prettier-ignore

test('strips by hand: the way round that takes less of the bolt', () => {
  // 60 × 90: eleven lie across with 90 along the strip, strips of 60; sixteen the other way, strips of 90.
  const wide = size(1001, 1200, 1);
  expect(boltPlan([size(60, 90, 32), wide], 1000)).toMatchObject({ lengthMm: 180, tooWide: [1] });
});

test('a size lies whichever way round makes the plan shorter, unless the print has a way up; what goes neither way is said', () => {
  expect(boltPlan([size(300, 200, 4)], 1200).lengthMm).toBe(200);
  expect(boltPlan([size(200, 300, 4)], 1200).lengthMm).toBe(200);
  expect(boltPlan([size(200, 300, 4)], 1200, false).lengthMm).toBe(300);
  expect(boltPlan([size(1300, 100, 3)], 1200)).toMatchObject({ lengthMm: 1300, tooWide: [] });
  expect(boltPlan([size(1300, 100, 3)], 1200, false)).toMatchObject({ lengthMm: 0, tooWide: [0] });
  expect(boltPlan([size(1300, 1201, 3), size(10, 10, 0)], 1200)).toMatchObject({ strips: [], tooWide: [0] });
});

const sizes = fc.array(
  fc.record({ w: fc.integer({ min: 20, max: 600 }), l: fc.integer({ min: 20, max: 600 }), n: fc.integer({ min: 1, max: 40 }) }).map(({ w, l, n }) => size(w, l, n)),
  { minLength: 1, maxLength: 12 },
); // prettier-ignore

test('every piece lies once, within its strip and the cloth, on no other; never longer than strips of one size each', () => {
  fc.assert(
    fc.property(sizes, fc.boolean(), (list, mayTurn) => {
      const plan = boltPlan(list, 1070, mayTurn);
      const pieces = piecesOf(plan);
      list.forEach(({ total, widthMm, lengthMm }, index) => {
        const own = pieces.filter((piece) => piece.own === index);
        expect(own).toHaveLength(total);
        for (const { x, right, y, bottom, stripEnd } of own) {
          expect(right).toBeLessThanOrEqual(1070 + 1e-6);
          expect(bottom).toBeLessThanOrEqual(stripEnd + 1e-6);
          const box = [right - x, bottom - y];
          expect(mayTurn ? box.sort((a, b) => a - b) : box).toEqual(mayTurn ? [widthMm, lengthMm].sort((a, b) => a - b) : [widthMm, lengthMm]); // prettier-ignore
        }
      });
      for (let i = 0; i < pieces.length; i++)
        for (let j = 0; j < i; j++) {
          const [a, b] = [itemAt(pieces, i), itemAt(pieces, j)];
          const meet = Math.min(a.right, b.right) - Math.max(a.x, b.x) > 1e-6 && Math.min(a.bottom, b.bottom) - Math.max(a.y, b.y) > 1e-6; // prettier-ignore
          if (meet) throw new Error(`${i} lies on ${j}`);
        }
      const alone = list.reduce((sum, one) => sum + boltPlan([one], 1070, mayTurn).lengthMm, 0);
      expect(plan.lengthMm).toBeLessThanOrEqual(alone + 1e-6);
      expect(plan.lengthMm).toBeGreaterThanOrEqual(plan.boundMm - 1e-6);
      const bolts = boltsOf(plan, 1500) ?? 0;
      expect(bolts * 1500).toBeGreaterThanOrEqual(plan.lengthMm - 1e-6);
    }),
    { numRuns: 60 },
  );
});
