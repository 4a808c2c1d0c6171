import { expect, test } from 'vitest';
import { InvariantError } from '../errors';
import { itemAt, knownOf, lastOf } from '.';

test('what is there is found; what is not there fails at once, as a fault of Kevlo’s own', () => {
  expect([itemAt([7, 8], 1), itemAt(new Float64Array([0, 5]), 0), lastOf(['a', 'b'])]).toEqual([8, 0, 'b']);
  expect(knownOf(new Map([['x', false]]), 'x')).toBe(false);
  for (const wrong of [() => itemAt([7], 1), () => itemAt([7], -1), () => itemAt([7], NaN), () => lastOf([]), () => knownOf(new Map<string, number>(), 'y')])
    expect(wrong).toThrow(InvariantError);
  expect(() => itemAt([7], 3)).toThrow('nothing at 3 of 1');
  expect(() => knownOf(new Map<string, number>(), 'y')).toThrow('nothing known of y');
}); // prettier-ignore
