import { itemAt } from '../lists';
import { unitKey } from './wishes';

interface Pair {
  readonly left: readonly number[];
  readonly right: readonly number[];
}

/**
 * Puts joins that make like units one after another, so that "make six of B" is one sitting; each still after those that
 * make its units. It can always be done: what a join needs is smaller than what it makes, and like units are equally large.
 * @param letterOf the letter of the unit that each join makes, where there are several
 * @returns the places of the joins in their new order
 */
export function inBatches(joins: readonly Pair[], letterOf: (index: number) => string | undefined): number[] {
  const batchOf = joins.map((_, index) => letterOf(index) ?? `single ${index}`);
  const members = new Map<string, number[]>();
  batchOf.forEach((batch, index) => members.set(batch, [...(members.get(batch) ?? []), index]));
  const madeBy = new Map(joins.map(({ left, right }, index) => [unitKey([...left, ...right]), index]));
  const order: number[] = [];
  const placed = new Set<string>();
  const place = (batch: string): void => {
    if (placed.has(batch)) return;
    placed.add(batch);
    const own = members.get(batch) ?? [];
    for (const index of own) {
      const { left, right } = itemAt(joins, index);
      for (const unit of [left, right]) {
        const maker = unit.length > 1 ? madeBy.get(unitKey(unit)) : undefined;
        if (maker !== undefined) place(itemAt(batchOf, maker));
      }
    }
    order.push(...own);
  };
  for (const batch of members.keys()) place(batch);
  return order;
}
