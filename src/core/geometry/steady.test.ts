import { expect, test } from 'vitest';
import { orderRound, steadyOrder } from './steady';

test('what is equal to within a gap stays as it was given, from one to the next', () => {
  expect(steadyOrder([3, 1.05, 1, 1.1, 2], (one) => one, 0.06)).toEqual([1.05, 1, 1.1, 2, 3]);
  expect(steadyOrder([3, 1.05, 1, 1.1, 2], (one) => one, 0.04)).toEqual([1, 1.05, 1.1, 2, 3]);
  // Of two gaps the wider counts.
  expect(steadyOrder([1.5, 1], (one) => one, (one) => (one === 1 ? 0.6 : 0))).toEqual([1.5, 1]); // prettier-ignore
});

test('round a centre: clockwise from the left, a hair above that line like a hair below; what lies in the middle comes first', () => {
  const centre = { x: 10, y: 4 };
  const at = { up: { x: 10, y: -6 }, right: { x: 20, y: 4 }, down: { x: 10, y: 14 }, left: { x: 0, y: 4.01 }, above: { x: 0, y: 3.99 }, middle: { x: 10.3, y: 4 } }; // prettier-ignore
  const round = (...names: (keyof typeof at)[]) => orderRound(names, centre, (name) => at[name]);
  expect(round('down', 'right', 'left', 'up')).toEqual(['left', 'up', 'right', 'down']);
  expect(round('up', 'left', 'above')).toEqual(['left', 'above', 'up']);
  expect(round('up', 'above', 'left')).toEqual(['above', 'left', 'up']);
  expect(round('up', 'middle')).toEqual(['middle', 'up']);
});
