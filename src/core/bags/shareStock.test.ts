import fc from 'fast-check';
import { beforeAll, expect, test } from 'vitest';
import { loadSolver } from '@/workers/node/highsSolver';
import type { Solver } from '../solver';
import { shareStock, type WantingBag } from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

const counts = (list: readonly number[]) => new Map(list.map((count, thing) => [`thing ${thing}`, count]));

/** Every set of bags that the stock allows; the best is the one with most bags, then most of the earliest rank, and so on. */
function byTryingAll(stock: ReadonlyMap<string, number>, bags: readonly WantingBag[]): number[] {
  const ranks = [...new Set(bags.map(({ rank }) => rank))].sort((a, b) => a - b);
  let best: number[] = [-1];
  for (let choice = 0; choice < 2 ** bags.length; choice++) {
    const taken = bags.filter((_, index) => (choice >> index) & 1);
    const isThere = [...stock].every(
      ([thing, count]) => taken.reduce((sum, { needs }) => sum + (needs.get(thing) ?? 0), 0) <= count,
    );
    const score = [taken.length, ...ranks.map((rank) => taken.filter((bag) => bag.rank === rank).length)];
    const at = score.findIndex((value, index) => value !== best[index]);
    if (isThere && at >= 0 && (score[at] ?? 0) > (best[at] ?? -1)) best = score;
  }
  return best;
}

test('as many bags, and as early ones, as trying every choice; nothing is promised twice; what is missing makes all of them', () => {
  const bag = fc.record({ rank: fc.integer({ min: 0, max: 3 }), needs: fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 4, maxLength: 4 }) });
  const stocks = fc.array(fc.integer({ min: 0, max: 14 }), { minLength: 4, maxLength: 4 });
  fc.assert(
    fc.property(stocks, fc.array(bag, { minLength: 1, maxLength: 11 }), (list, wanting) => {
      const stock = counts(list);
      const bags = wanting.map(({ rank, needs }, index) => ({ id: `bag ${index}`, rank, needs: counts(needs) }));
      const { complete, missing, isProven } = shareStock(stock, bags, solver, 20);
      const taken = bags.filter(({ id }) => complete.includes(id));
      const used = (thing: string, from: readonly WantingBag[]) => from.reduce((sum, { needs }) => sum + (needs.get(thing) ?? 0), 0);
      for (const [thing, count] of stock) {
        expect(used(thing, taken)).toBeLessThanOrEqual(count);
        expect(missing.get(thing) ?? 0).toBe(Math.max(0, used(thing, bags) - count));
      }
      const ranks = [...new Set(bags.map(({ rank }) => rank))].sort((a, b) => a - b);
      const score = [taken.length, ...ranks.map((rank) => taken.filter((one) => one.rank === rank).length)];
      expect([isProven, score]).toEqual([true, byTryingAll(stock, bags)]);
    }),
    { numRuns: 60 },
  );
}); // prettier-ignore

test('bags that are alike are packed in the order given; thousands of them at once', () => {
  const bags = Array.from({ length: 6000 }, (_, index) => ({
    id: `bag ${index}`,
    rank: index % 5,
    needs: new Map([['hexagon', 7 + (index % 5)], ['diamond', 3]]),
  })); // prettier-ignore
  const { complete, isProven } = shareStock(new Map([['hexagon', 9000], ['diamond', 90_000]]), bags, solver, 20); // prettier-ignore
  // 1 200 bags of seven, then 75 of eight.
  expect([isProven, complete.length]).toEqual([true, 1275]);
  expect(complete.slice(0, 4)).toEqual(['bag 0', 'bag 1', 'bag 5', 'bag 6']);
});

test('a search that was not given time still names a choice that can be packed', () => {
  const bags = [5, 4, 3].map((count, index) => ({ id: `bag ${index}`, rank: 0, needs: new Map([['hexagon', count]]) })); // prettier-ignore
  const idle: Solver = {
    solve: () => ({ isProven: false, isImpossible: false, values: undefined }),
    bound: () => 0,
  };
  expect(shareStock(new Map([['hexagon', 8]]), bags, idle, 0)).toEqual({
    complete: ['bag 1', 'bag 2'],
    missing: new Map([['hexagon', 4]]),
    isProven: false,
  });
});
