import { itemAt } from '../lists';
import { unitKey, type IdleWish, type Wishes } from './wishes';

interface Pair {
  readonly left: readonly number[];
  readonly right: readonly number[];
}

/**
 * Puts joins in the order in which they are made: each after those that make its units, and the units of a wish in the
 * order wished. What a wish pulls forward comes with all that it needs, just before what it shall precede.
 */
export function inSequence<T extends Pair>(
  joins: readonly T[],
  before: Wishes['before'],
): { joins: T[]; idle: IdleWish[] } {
  if (before.length === 0) return { joins: [...joins], idle: [] };
  const madeBy = new Map(joins.map(({ left, right }, index) => [unitKey([...left, ...right]), index]));
  const needs = joins.map(({ left, right }) => {
    const made = [left, right].map((unit) => madeBy.get(unitKey(unit)));
    return made.filter((index): index is number => index !== undefined);
  });
  const idle: IdleWish[] = [];
  before.forEach(([first, second], index) => {
    const [a, b] = [madeBy.get(unitKey(first)), madeBy.get(unitKey(second))];
    const refuse = (why: string) => idle.push({ wish: 'before', index, why });
    if (a === undefined || b === undefined) refuse('The present order does not make one of these units.');
    else if (isNeeded(needs, b, a)) refuse('The unit that shall come later is needed for the other.');
    else needs[b]?.push(a);
  });
  const order: number[] = [];
  const isPlaced = new Uint8Array(joins.length);
  for (let index = 0; index < joins.length; index++) {
    const stack = [index];
    for (let at = stack.at(-1); at !== undefined; at = stack.at(-1)) {
      const missing = (needs[at] ?? []).filter((need) => !isPlaced[need]).sort((p, q) => q - p);
      if (missing.length > 0 && !isPlaced[at]) {
        stack.push(...missing);
        continue;
      }
      stack.pop();
      if (isPlaced[at]) continue;
      isPlaced[at] = 1;
      order.push(at);
    }
  }
  return { joins: order.map((index) => itemAt(joins, index)), idle };
}

/** Whether one join is needed, directly or not, before another. */
function isNeeded(needs: readonly (readonly number[])[], one: number, other: number): boolean {
  const seen = new Set([other]);
  for (const at of seen) for (const need of needs[at] ?? []) seen.add(need);
  return seen.has(one);
}
