import fc from 'fast-check';
import { expect, test } from 'vitest';
import { allOf, eachUnit, isIn, lowestIn, pairKey, setOf, unitOf, without } from './unitSet';

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
