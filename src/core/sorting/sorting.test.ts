import fc from 'fast-check';
import { expect, test } from 'vitest';
import { compareTouches, fillings, layCups, sortingPlan, together, type HeapKind } from '.';

/** The fewest touches by trying every way to part the kinds into cups, round by round. */
function fewest(counts: readonly number[], cups: number): number {
  if (counts.length < 2) return 0;
  const all = counts.reduce((sum, one) => sum + one, 0);
  let best = Infinity;
  const part = (left: readonly number[], groups: readonly (readonly number[])[]) => {
    const [first, ...others] = left;
    if (first === undefined) {
      if (groups.length > 1) best = Math.min(best, all + groups.reduce((sum, group) => sum + fewest(group, cups), 0));
      return;
    }
    groups.forEach((group, i) => part(others, groups.map((own, j) => (i === j ? [...group, first] : own))));
    if (groups.length < cups) part(others, [...groups, [first]]);
  };
  part(counts, []);
  return best;
} // prettier-ignore

const heap = (counts: readonly number[]): HeapKind[] => counts.map((count, i) => ({ name: `k${i}`, count }));

test('no way of sorting takes pieces up less often; every round is possible with the cups that there are', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 6 }), fc.integer({ min: 2, max: 4 }), (counts, cups) => {
      const { rounds, touches } = sortingPlan(heap(counts), cups);
      expect(touches).toBe(fewest(counts, cups));
      for (const round of rounds) {
        expect(round.cups.length).toBeLessThanOrEqual(cups);
        expect(round.cups.flatMap(({ kinds }) => kinds).sort()).toEqual([...round.kinds].sort());
        expect(round.cups.reduce((sum, { pieces }) => sum + pieces, 0)).toBe(round.pieces);
      }
      // Each kind ends in a cup of its own.
      const alone = rounds.flatMap(({ cups: own }) => own).filter(({ kinds }) => kinds.length === 1);
      expect(alone.flatMap(({ kinds }) => kinds).sort()).toEqual(counts.length < 2 ? [] : heap(counts).map(({ name }) => name).sort());
    }),
    { numRuns: 60 },
  );
}); // prettier-ignore

test('counted by hand: enough cups take a piece up once; block by block all that is left is gone through again', () => {
  const blocks = [heap([10, 20]), [{ name: 'k0', count: 10 }, { name: 'k2', count: 20 }]]; // prettier-ignore
  expect(together(blocks)).toEqual([{ name: 'k0', count: 20 }, { name: 'k1', count: 20 }, { name: 'k2', count: 20 }]); // prettier-ignore
  // At once: 60 into cups and 60 into bags. By blocks: 60 gone through, 30 and 30 sorted, 60 into bags.
  expect(compareTouches(blocks, 6)).toEqual({ pieces: 60, atOnce: 2, blockByBlock: 3 });
  // With two cups: the heap (60), then the cup with two kinds (40).
  expect(sortingPlan(together(blocks), 2).touches).toBe(100);
  expect(compareTouches([], 6)).toEqual({ pieces: 0, atOnce: 0, blockByBlock: 0 });
});

test('look-alikes never lie next to one another where that can be helped; what does not clash stays as it was given', () => {
  expect(layCups(6, [], { rows: 2, columns: 3 })).toEqual({ cups: [0, 1, 2, 3, 4, 5], clashes: [] });
  const two = layCups(4, [[0, 1]], { rows: 2, columns: 4 }); // prettier-ignore
  expect(two.clashes).toEqual([]);
  expect(two.cups.filter((one) => one !== undefined).sort()).toEqual([0, 1, 2, 3]);
  // In a two by two every cup touches every other: that it cannot be helped is said.
  expect(layCups(4, [[0, 3]], { rows: 2, columns: 2 }).clashes).toEqual([[0, 3]]); // prettier-ignore
  const pairs = fc.array(fc.tuple(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 9 })), {
    maxLength: 4,
  });
  fc.assert(
    fc.property(pairs, (alike) => {
      const own = alike.filter(([a, b]) => a !== b);
      const { cups, clashes } = layCups(10, own, { rows: 4, columns: 6 });
      expect(cups.filter((one) => one !== undefined).sort((a, b) => a - b)).toEqual(Array.from({ length: 10 }, (_, i) => i)); // prettier-ignore
      // Few pairs in a roomy sorter can always be kept apart.
      expect(clashes).toEqual([]);
    }),
  );
});

test('cups that are too few are filled again in the order of use', () => {
  expect(fillings(5, 2)).toEqual([[0, 1], [2, 3], [4]]); // prettier-ignore
  expect(fillings(0, 2)).toEqual([]);
  expect(fillings(3, 8)).toEqual([[0, 1, 2]]);
});
