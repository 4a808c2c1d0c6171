import { expect, test } from 'vitest';
import { stitchesOn, threadOn, threadPerStitch, threadUse, ownThread, seamOfNeedleful } from '.';

test('thread: 10 stitches an inch take about 4 mm each, 1.58 times the seam', () => {
  expect(threadPerStitch(2.54)).toBeCloseTo(4, 2);
  expect(threadPerStitch(1.27) / 1.27).toBeCloseTo(2.4, 1);
  expect(threadUse([{ lengthMm: 254, knots: 2 }], 1, 10 / 25.4, 380)).toMatchObject({
    stitches: 100,
    needlefuls: 2,
    metres: expect.closeTo(0.4803, 3),
  });
  expect(threadUse([], 0, 10 / 25.4, 380)).toEqual({ stitches: 0, metres: 0, needlefuls: 0 });
});

test.each([
  // Pitch p, bite 0.8 mm, folds 1 mm: 2·√(0.64 + p²/4) + 1, worked out by hand.
  [2, 2 * Math.sqrt(0.64 + 1) + 1],
  [6, 2 * Math.sqrt(0.64 + 9) + 1],
  [1.2, 3],
])('a stitch of %s mm takes %s mm of thread', (pitchMm, threadMm) => {
  expect(threadPerStitch(pitchMm)).toBeCloseTo(threadMm, 12);
  expect(threadOn(pitchMm * 40, 1 / pitchMm)).toBeCloseTo(40 * threadMm, 9);
});

test('a seam that is a whole number of stitches long has that many, a hair more has one more', () => {
  expect([stitchesOn(30, 0.5), stitchesOn(30.0000000001, 0.5), stitchesOn(30.1, 0.5), stitchesOn(0, 0.5)]).toEqual([15, 15, 16, 0]);
}); // prettier-ignore

test('knots, starts and needlefuls, counted by hand at stitches of 1.2 mm and 3 mm of thread each', () => {
  const sewn = (lengthMm: number, knots: number, starts: number, usableMm = 380) =>
    threadUse([{ lengthMm, knots }], starts, 1 / 1.2, usableMm);
  // 120 mm: 100 stitches, 300 mm of thread; two knots of 25 mm; a start and end of 30 mm.
  expect(sewn(120, 2, 1)).toEqual({ stitches: 100, metres: 0.38, needlefuls: 1 });
  // The thread of 152 mm is just one needleful, a stitch more begins the second.
  expect(sewn(152, 2, 1).needlefuls).toBe(1);
  expect(sewn(153.2, 2, 1).needlefuls).toBe(2);
  // 300 mm sewn fit one needleful, but eight knots and a start make 530 mm: more than its 500 mm.
  expect(sewn(120, 8, 1)).toMatchObject({ metres: 0.53, needlefuls: 2 });
  expect(sewn(120, 2, 1, 100).needlefuls).toBe(3);
  // 280 mm sewn and 130 mm hidden in slides are more than the 380 mm of one, though 440 mm of thread are less than its 500 mm.
  expect(threadUse([{ lengthMm: 112, knots: 0 }], 1, 1 / 1.2, 380, 130)).toMatchObject({
    metres: expect.closeTo(0.44, 9),
    needlefuls: 2,
  });
  // Runs add up; none is a start of its own unless it is said to be.
  const two = threadUse([{ lengthMm: 60, knots: 2 }, { lengthMm: 61, knots: 3 }], 2, 1 / 1.2, 380); // prettier-ignore
  expect(two).toEqual({ stitches: 101, metres: expect.closeTo(0.4875, 9), needlefuls: 1 });
});

test('a needleful sews by the formula, and by one’s own measure: half as far is twice the thread', () => {
  // 10 stitches an inch: 4.0 mm of thread for 2.54 mm of seam.
  expect(seamOfNeedleful(10 / 25.4, 380)).toBeCloseTo((380 * 2.54) / threadPerStitch(2.54), 9);
  const thread = { stitches: 900, metres: 6, needlefuls: 13, seamOfNeedlefulMm: 240 };
  expect(ownThread(thread, 120)).toEqual({
    stitches: 900,
    metres: 12,
    needlefuls: 26,
    seamOfNeedlefulMm: 120,
  });
  expect(ownThread(thread, 250).needlefuls).toBe(13);
  expect(ownThread(thread, 240)).toEqual(thread);
});
