import fc from 'fast-check';
import { expect, test } from 'vitest';
import { boltPlan, fromPieces, type BoltSize } from '.';

const size = (widthMm: number, lengthMm: number, total: number): BoltSize => ({ what: '', widthMm, lengthMm, total }); // prettier-ignore

test('by hand: the smallest piece is cut first, the bolt gets what is left, and what is left of a piece is told', () => {
  const pieces = [{ widthMm: 500, lengthMm: 450 }, { widthMm: 210, lengthMm: 100 }]; // prettier-ignore
  const { cut, left, rest } = fromPieces([size(100, 100, 9), size(600, 600, 1)], pieces, false);
  // Two go on the small one; the large one has five to a strip, so one strip of five and, below it, one of two.
  expect(cut.map(({ widthMm, counts }) => [widthMm, counts])).toEqual([[210, [2, 0]], [500, [7, 0]]]); // prettier-ignore
  expect(left.map(({ total }) => total)).toEqual([0, 1]);
  expect(rest).toEqual([{ widthMm: 500, lengthMm: 250 }]);
  // What is longer than a piece takes no room from what goes on it.
  const beside = fromPieces([size(100, 600, 1), size(100, 100, 5)], [{ widthMm: 500, lengthMm: 450 }], false);
  expect(beside.left.map(({ total }) => total)).toEqual([1, 0]);
  // What goes across only when it is turned goes where it may be.
  const long = [size(300, 90, 1)];
  const upright = { widthMm: 100, lengthMm: 400 };
  expect([true, false].map((mayTurn) => fromPieces(long, [upright], mayTurn).left[0]?.total)).toEqual([0, 1]);
});

test('nothing is cut twice or lost, no piece holds more than its area, and the bolt never gives more than without pieces', () => {
  const sizes = fc.array(fc.tuple(fc.integer({ min: 30, max: 400 }), fc.integer({ min: 30, max: 400 }), fc.nat(20)).map(([a, b, total]) => size(a, b, total)), { minLength: 1, maxLength: 4 });
  const pieces = fc.array(fc.record({ widthMm: fc.integer({ min: 20, max: 900 }), lengthMm: fc.integer({ min: 20, max: 900 }) }), { maxLength: 4 });
  fc.assert(
    fc.property(sizes, pieces, fc.boolean(), (wanted, lying, mayTurn) => {
      const { cut, left, rest } = fromPieces(wanted, lying, mayTurn);
      wanted.forEach(({ total }, index) => {
        const counts = cut.map(({ counts: own }) => own[index] ?? 0);
        expect(counts.reduce((sum, count) => sum + count, 0) + (left[index]?.total ?? 0)).toBe(total);
      });
      for (const { counts, widthMm, lengthMm } of cut) {
        const area = counts.reduce((sum, count, index) => sum + count * (wanted[index]?.widthMm ?? 0) * (wanted[index]?.lengthMm ?? 0), 0);
        expect(area).toBeLessThanOrEqual(widthMm * lengthMm + 1e-6);
      }
      const areaOf = (list: readonly { widthMm: number; lengthMm: number }[]) => list.reduce((sum, one) => sum + one.widthMm * one.lengthMm, 0);
      expect(areaOf(rest)).toBeLessThanOrEqual(areaOf(lying));
      const [with0, without] = [left, wanted].map((list) => boltPlan(list, 1000, mayTurn).boundMm);
      expect(with0!).toBeLessThanOrEqual(without! + 1e-9);
    }),
    { numRuns: 80 },
  );
}); // prettier-ignore
