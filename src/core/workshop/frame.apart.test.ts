import { expect, test } from 'vitest';
import { BLOCK_FORMAT, type BlockDocument } from '../block';
import { shiftBy } from '../geometry';
import { hexagonMosaic, leastTime } from '../testing';
import { liveReport, movePatches } from '.';

/** One frame of a screen that shows sixty in a second. */
const FRAME_MS = 16.7;

test('the seam report of 200 patches is ready within a frame of an edit', () => {
  let document: BlockDocument = { format: BLOCK_FORMAT, patches: hexagonMosaic(196), rules: [{ id: 'r', kind: 'differ' }] }; // prettier-ignore
  const edit = (turn: number) => {
    document = movePatches(document, [turn % 196], shiftBy(turn % 2 ? 0.01 : -0.01, 0));
    liveReport(document, 'inch');
  };
  expect(leastTime(edit, FRAME_MS, () => performance.now())).toBeLessThan(FRAME_MS);
});
