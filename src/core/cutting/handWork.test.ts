import { expect, test } from 'vitest';
import { handWork } from '.';

test('cutting by hand goes round every piece: its line and its minutes', () => {
  const square = [{ x: 0, y: 0 }, { x: 50, y: 0 }, { x: 50, y: 50 }, { x: 0, y: 50 }]; // prettier-ignore
  const triangle = [{ x: 0, y: 0 }, { x: 30, y: 0 }, { x: 0, y: 40 }]; // prettier-ignore
  expect(handWork([{ polygon: square, count: 3 }, { polygon: triangle, count: 2 }], 300)).toEqual({ lineMm: 840, minutes: 2.8 });
  expect(handWork([{ polygon: square, count: 3 }], 100).minutes).toBe(6);
  expect(handWork([], 100)).toEqual({ lineMm: 0, minutes: 0 });
}); // prettier-ignore
