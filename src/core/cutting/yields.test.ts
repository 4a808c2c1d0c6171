import { expect, test } from 'vitest';
import { polygonArea } from '../nesting';
import { standardCuts, yieldsOf } from '.';

const square = (side: number) => ({ id: 's', polygon: [{ x: 0, y: 0 }, { x: side, y: 0 }, { x: side, y: side }, { x: 0, y: side }] }); // prettier-ignore
const rhombus = {
  id: 'r',
  polygon: [
    { x: 0, y: 0 },
    { x: 60, y: 0 },
    { x: 90, y: 51.96 },
    { x: 30, y: 51.96 },
  ],
};
const oblong = {
  id: 'o',
  polygon: [
    { x: 0, y: 0 },
    { x: 100, y: 0 },
    { x: 100, y: 40 },
    { x: 0, y: 40 },
  ],
};
const piece = (widthMm: number, lengthMm: number) => ({ name: 'remnant', widthMm, lengthMm });
const [metric] = [standardCuts(1070, 'metric')];

test('squares by hand: on a fat quarter, on a square they just fill, and on one that is a hair too small', () => {
  const fat = metric.find(({ name }) => name.startsWith('fat quarter'))!;
  expect(yieldsOf(square(50), [fat, piece(50, 50), piece(49.9, 400)], 'any', 'metric')).toMatchObject([
    // Half of 107 cm that can be used: ten across, ten down.
    { strips: 100, close: 100 },
    { strips: 1, close: 1 },
    { strips: 0, close: 0 },
  ]);
});

test('an oblong is turned where it may be; one way up it is not', () => {
  expect(yieldsOf(oblong, [piece(90, 210)], 'any', 'metric')).toMatchObject([{ strips: 4 }]);
  expect(yieldsOf(oblong, [piece(90, 210)], 'none', 'metric')).toMatchObject([{ strips: 0, close: 0 }]);
});

test('close is never fewer than in strips, nor more than their area allows; larger pieces give no fewer', () => {
  for (const kind of [square(35), rhombus, oblong])
    for (const turns of ['any', 'none'] as const) {
      const found = yieldsOf(kind, metric, turns, 'metric');
      for (const { cut, strips, close } of found) {
        expect(close).toBeGreaterThanOrEqual(strips);
        expect(close * polygonArea(kind.polygon)).toBeLessThanOrEqual(cut.widthMm * cut.lengthMm);
      }
      const half = found.find(({ cut }) => cut.name.startsWith('half metre'))!;
      expect(half.close).toBe(Math.max(...found.map(({ close }) => close)));
    }
  // Rhombi fit into one another: a tenth more than their boxes at the least.
  const close = yieldsOf(rhombus, [piece(550, 500)], 'any', 'metric')[0]!;
  expect(close.close).toBeGreaterThan(1.1 * close.strips);
});
