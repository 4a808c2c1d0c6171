import fc from 'fast-check';
import { expect, test } from 'vitest';
import { areaOf, movedOutline, perimeterOf, toRadians, type Outline } from '../geometry';
import { polygonArea } from '../nesting';
import { cutGrid, patch, rosette } from '../testing';
import { groupKinds, nameKinds } from '../shapes';
import { cutPieces } from '.';
import { swellSides } from './swellSides';

const PLAIN = { allowanceMm: 6, backgroundMoreMm: 0 };
const namesOf = (patches: ReturnType<typeof rosette>) => nameKinds(groupKinds(patches.map(({ outline }) => outline)).kinds, 'metric'); // prettier-ignore
const square = (x: number, y: number, fabric = 'Fog') => ({ ...patch(x + 10 * y, [[x, y], [x + 40, y], [x + 40, y + 40], [x, y + 40]]), fabric, layer: 0 }); // prettier-ignore

test('by hand: a square of four is wider at its two outer sides, one alone at all four, one within at none', () => {
  const four = [square(0, 0), square(40, 0), square(0, 40), square(40, 40)];
  const [piece, ...others] = cutPieces(four, 'Fog', ['square'], { ...PLAIN, outerMoreMm: 4 });
  // 40 and 6 at each inner side; 10 at the outer ones: 56 by 56.
  expect([others, piece?.count, piece?.id]).toEqual([[], 4, 'square, rim 1']);
  expect(polygonArea(piece?.polygon ?? [])).toBeCloseTo(56 * 56, 6);
  const nine = [0, 40, 80].flatMap((x) => [0, 40, 80].map((y) => square(x, y)));
  const kinds = cutPieces(nine, 'Fog', ['square'], { ...PLAIN, outerMoreMm: 4 });
  const areas = kinds.map(({ count, polygon }) => [count, Math.round(polygonArea(polygon))]).sort((a, b) => a[1]! - b[1]!);
  expect(areas).toEqual([[1, 52 * 52], [4, 52 * 56], [4, 56 * 56]]);
  expect(cutPieces(nine, 'Fog', ['square'], PLAIN).map(({ id, count }) => [id, count])).toEqual([['square', 9]]);
}); // prettier-ignore

test('a side that stays raw takes less, and never less than nothing', () => {
  const patches = [{ ...square(0, 0), rawSides: [0, 2] }];
  const area = (rawLessMm: number) => polygonArea(cutPieces(patches, 'Fog', ['square'], { ...PLAIN, rawLessMm })[0]?.polygon ?? []); // prettier-ignore
  expect([area(0), area(4), area(6), area(60)].map(Math.round)).toEqual([52 * 52, 52 * 44, 52 * 40, 52 * 40]);
});

test('every piece of a block is counted once, whatever is added at the rim; none is smaller than by the allowance alone', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 12, noNaN: true }), fc.integer({ min: 0, max: 2 }), (outerMoreMm, which) => {
      const patches = [rosette(2), cutGrid(3, 3, [0, 4]), cutGrid(2, 4, [])][which]!.map((one, index) => ({ ...one, fabric: index % 2 ? 'Fog' : 'Tar' }));
      const cut = (more: number) => ['Fog', 'Tar'].flatMap((fabric) => cutPieces(patches, fabric, namesOf(patches), { ...PLAIN, outerMoreMm: more }));
      const [own, plain] = [cut(outerMoreMm), cut(0)];
      const count = (list: typeof own) => list.reduce((sum, one) => sum + one.count, 0);
      const area = (list: typeof own) => list.reduce((sum, one) => sum + one.count * polygonArea(one.polygon), 0);
      expect([count(own), count(plain)]).toEqual([patches.length, patches.length]);
      expect(area(own)).toBeGreaterThan(area(plain) - 1e-3);
      expect(new Set(own.map(({ id }) => id)).size).toBeLessThanOrEqual(own.length);
    }),
    { numRuns: 40 },
  );
}); // prettier-ignore

test('a convex shape grown alike at all sides has the area of Steiner with mitred corners; turning it changes nothing', () => {
  const kite: Outline = { corners: [{ x: 0, y: 0 }, { x: 40, y: 0 }, { x: 50, y: 30 }, { x: 0, y: 40 }], bulges: [0, 0, 0, 0] }; // prettier-ignore
  fc.assert(
    fc.property(fc.double({ min: 0.1, max: 15, noNaN: true }), fc.integer({ min: 0, max: 359 }), (by, degrees) => {
      const [cos, sin] = [Math.cos(toRadians(degrees)), Math.sin(toRadians(degrees))];
      const grown = swellSides(movedOutline(kite, ({ x, y }) => ({ x: cos * x - sin * y, y: sin * x + cos * y })), [by, by, by, by], 0.1);
      const corners = kite.corners.map((_, index) => {
        const [a, b, c] = [3, 0, 1].map((step) => kite.corners[(index + step) % 4]!) as [typeof kite.corners[0], typeof kite.corners[0], typeof kite.corners[0]];
        const [u, v] = [[b.x - a.x, b.y - a.y], [c.x - b.x, c.y - b.y]] as [[number, number], [number, number]];
        return Math.tan(Math.atan2(u[0] * v[1] - u[1] * v[0], u[0] * v[0] + u[1] * v[1]) / 2) * by ** 2;
      });
      expect(polygonArea(grown)).toBeCloseTo(areaOf(kite) + perimeterOf(kite) * by + corners.reduce((sum, one) => sum + one, 0), 6);
    }),
    { numRuns: 60 },
  );
}); // prettier-ignore
