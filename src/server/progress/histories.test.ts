import { expect, test } from 'vitest';
import { leftOf } from './histories';

test('whoever has done every step has nothing left, in whatever order and however the minutes round', () => {
  const of = new Map([['a', 0.1], ['b', 0.2], ['c', 0.3], ['d', 0.7]]); // prettier-ignore
  const left = (done: string[], covered: string[] = []) =>
    leftOf({ summary: {}, done: new Set(done), covered: new Set(covered) } as never, () => ({ of, total: [...of.values()].reduce((sum, one) => sum + one, 0) })); // prettier-ignore
  for (const order of ['abcd', 'dcba', 'cbad', 'bdac', 'cabd']) expect(left([...order])).toBe(0);
  expect(left(['d', 'b'], ['c', 'a'])).toBe(0);
  expect(left(['d', 'b'], ['b'])).toBeCloseTo(0.4, 12);
  // What belongs to an older order takes nothing off.
  expect(left(['old'])).toBeCloseTo(1.3, 12);
});
