import { expect, test } from 'vitest';
import { record, startHistory, undo } from '@/core/workshop';
import { isSame, trimmed } from './useKeptHistory';

test('the nearest steps are kept, past before future, and only whole ones', () => {
  let history = startHistory('a'.repeat(8));
  for (const letter of 'bcde') history = record(history, letter.repeat(8), letter);
  history = undo(history);
  const texts = ({ past, present, future }: typeof history) =>
    [...past, `[${present}]`, ...future].map((text) => text.replace(/(\w)\1+/, '$1'));
  expect(texts(trimmed(history, 1000))).toEqual(['a', 'b', 'c', '[d]', 'e']);
  // Each state takes ten letters: there is room for the present and two more.
  expect(texts(trimmed(history, 30))).toEqual(['b', 'c', '[d]']);
  expect(texts(trimmed(history, 9))).toEqual(['[d]']);
});

test('the same in another order of names is the same; another list or number is not', () => {
  expect(isSame({ a: 1, b: { c: [1, 2], d: 'x' } }, { b: { d: 'x', c: [1, 2] }, a: 1 })).toBe(true);
  expect(isSame({ a: [1, 2] }, { a: [2, 1] })).toBe(false);
  expect(isSame({ a: 1 }, { a: 1.1 })).toBe(false);
});
