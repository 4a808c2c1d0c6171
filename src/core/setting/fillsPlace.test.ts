import { expect, test } from 'vitest';
import { patch } from '../testing';
import { fillsPlace } from '.';

const rectangle = (wide: number, high: number) => patch(0, [[0, 0], [wide, 0], [wide, high], [0, high]]); // prettier-ignore

test.each([
  ['as large', rectangle(200, 300), true],
  ['a millimetre narrower', rectangle(199, 300), true],
  ['a millimetre lower', rectangle(200, 299), true],
  ['narrower by more', rectangle(198.9, 300), false],
  ['lower by more', rectangle(200, 298.9), false],
  ['larger', rectangle(210, 310), true],
  ['a corner off it by what drawing rounds', patch(0, [[0, 0], [200, 0], [200, 300], [20, 300], [0, 280]]), true], // prettier-ignore
  ['a corner off it', patch(0, [[0, 0], [200, 0], [200, 300], [30, 300], [0, 270]]), false], // prettier-ignore
])('a block fills its place with a rectangle that is as large but for a millimetre: %s', (_, own, fills) => {
  expect(fillsPlace([own], { widthMm: 200, heightMm: 300 })).toBe(fills);
});

test('what lies upon the lowest layer does not fill a place', () => {
  const place = { widthMm: 200, heightMm: 300 };
  const base = rectangle(100, 300);
  expect(fillsPlace([base, { ...rectangle(200, 300), layer: 1 }], place)).toBe(false);
  expect(fillsPlace([{ ...rectangle(50, 50), layer: 1 }, rectangle(200, 300)], place)).toBe(true);
});
