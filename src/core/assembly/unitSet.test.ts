import fc from 'fast-check';
import { expect, test } from 'vitest';
import {
  addSubsets,
  allOf,
  connectedSets,
  eachUnit,
  isIn,
  lowestIn,
  pairKey,
  rimsOf,
  setOf,
  sumsOf,
  unitOf,
  without,
} from './unitSet';

test('a set in one number is what a set of units is', () => {
  const units = fc.uniqueArray(fc.nat(25), { maxLength: 20 });
  fc.assert(
    fc.property(units, units, (own, more) => {
      const set = own.reduce((sum, unit) => sum | setOf(unit), 0);
      const listed: number[] = [];
      eachUnit(set, (unit) => listed.push(unit));
      expect(listed).toEqual([...own].sort((a, b) => a - b));
      for (let unit = 0; unit < 26; unit++) expect(isIn(set, unit)).toBe(own.includes(unit));
      if (own.length > 0) {
        expect(unitOf(lowestIn(set))).toBe(Math.min(...own));
        expect(without(set, lowestIn(set))).toBe(set - 2 ** Math.min(...own));
      }
      const other = more.reduce((sum, unit) => sum | setOf(unit), 0);
      // Two different pairs never share a key.
      const key = pairKey(set, other, 26);
      expect([key % 2 ** 26, Math.floor(key / 2 ** 26)]).toEqual([set, other]);
    }),
  );
  expect([allOf(0), allOf(3), lowestIn(0)]).toEqual([0, 7, 0]);
});

test('tables of all sets: sums, rims, subsets and what hangs together are what each set by itself has', () => {
  const graph = fc.integer({ min: 1, max: 6 }).chain((count) =>
    fc.record({
      values: fc.array(fc.integer({ min: -9, max: 9 }), { minLength: count, maxLength: count }),
      pairs: fc.array(fc.tuple(fc.nat(count - 1), fc.nat(count - 1)), { maxLength: 8 }),
    }),
  );
  fc.assert(
    fc.property(graph, ({ values, pairs }) => {
      const units = values.map((_, unit) => unit);
      const within = (set: number) => units.filter((unit) => isIn(set, unit));
      const beside = Int32Array.from(units, (unit) => pairs.reduce((set, [a, b]) => (a === unit ? set | setOf(b) : b === unit ? set | setOf(a) : set), 0)); // prettier-ignore
      const [sums, rims, connected] = [
        sumsOf(values),
        rimsOf(Int32Array.from(values)),
        connectedSets(beside),
      ];
      const added = Int32Array.from(sums, (_, set) => set * set);
      addSubsets(added);
      for (let set = 0; set < 2 ** values.length; set++) {
        expect(sums[set]).toBe(within(set).reduce((sum, unit) => sum + values[unit]!, 0));
        expect(rims[set]).toBe(within(set).reduce((rim, unit) => rim ^ values[unit]!, 0));
        let subsets = 0;
        for (let part = 0; part <= set; part++) if ((part & set) === part) subsets += part * part;
        expect(added[set]).toBe(subsets);
        // Walked from one unit to those beside it.
        const reached = new Set(within(set).slice(0, 1));
        for (const unit of reached) for (const other of within(set)) if (isIn(beside[unit]!, other)) reached.add(other); // prettier-ignore
        expect(connected[set]).toBe(set > 0 && reached.size === within(set).length ? 1 : 0);
      }
    }),
  );
});
