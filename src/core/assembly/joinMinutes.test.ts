import { expect, test } from 'vitest';
import { DEFAULT_SEWING } from '.';
import { joinMinutes } from './joinMinutes';

/** Counted by hand: 254 mm are 10 inches, 100 stitches at 12 a minute. */
const TEN_INCHES = { lengthMm: 254, chains: [{ turns: [] }], threadStarts: 0, slides: 0, papersInHand: 1 };
const bends = (...turns: number[]) => ({ chains: [{ turns }] });

test.each([
  ['the stitches and half a minute to align', {}, 100 / 12 + 0.5],
  ['a minute for each bend of a right angle', bends(90, 90, 90), 100 / 12 + 3.5],
  ['two thirds for a bend of 60°', bends(60), 100 / 12 + 0.5 + 2 / 3],
  ['a quarter for the slightest', bends(2, 22.5), 100 / 12 + 1],
  ['one and a half for the sharpest', bends(135, 170), 100 / 12 + 3.5],
  ['bends of all its runs', { chains: [{ turns: [90] }, { turns: [45] }] }, 100 / 12 + 2],
  ['a fifth of a minute for each slide', { slides: 3 }, 100 / 12 + 1.1],
  ['three quarters of a minute for each thread', { threadStarts: 2 }, 100 / 12 + 2],
  ['no more up to twelve papers', { papersInHand: 12 }, 100 / 12 + 0.5],
  ['a hundredth more for the thirteenth', { papersInHand: 13 }, (100 / 12 + 0.5) * 1.01],
  ['a tenth more for ten', { papersInHand: 22, ...bends(90) }, (100 / 12 + 1.5) * 1.1],
  ['laid over: 25 mm a minute, no bend counts', { isLaid: true as const, ...bends(90, 90) }, 254 / 25 + 0.5],
  ['laid over, heavy all the same', { isLaid: true as const, papersInHand: 14 }, (254 / 25 + 0.5) * 1.02],
])('%s', (_, more, minutes) => {
  expect(joinMinutes({ ...TEN_INCHES, ...more }, DEFAULT_SEWING)).toBeCloseTo(minutes, 9);
});
