import { expect, test } from 'vitest';
import { DEFAULT_SEWING } from '.';
import { joinMinutes } from './joinMinutes';

/** Counted by hand: 254 mm are 10 inches, 100 stitches at 12 a minute. */
const TEN_INCHES = { lengthMm: 254, bends: 0, threadStarts: 0, papersInHand: 1 };

test.each([
  ['the stitches and half a minute to align', {}, 100 / 12 + 0.5],
  ['a minute for each bend', { bends: 3 }, 100 / 12 + 3.5],
  ['three quarters of a minute for each thread', { threadStarts: 2 }, 100 / 12 + 2],
  ['no more up to twelve papers', { papersInHand: 12 }, 100 / 12 + 0.5],
  ['a hundredth more for the thirteenth', { papersInHand: 13 }, (100 / 12 + 0.5) * 1.01],
  ['a tenth more for ten', { papersInHand: 22, bends: 1 }, (100 / 12 + 1.5) * 1.1],
  ['laid over: 25 mm a minute, no bend counts', { isLaid: true as const, bends: 4 }, 254 / 25 + 0.5],
  ['laid over, heavy all the same', { isLaid: true as const, papersInHand: 14 }, (254 / 25 + 0.5) * 1.02],
])('%s', (_, more, minutes) => {
  expect(joinMinutes({ ...TEN_INCHES, ...more }, DEFAULT_SEWING)).toBeCloseTo(minutes, 9);
});
