import fc from 'fast-check';
import { expect, test } from 'vitest';
import { polygonArea, type PieceKind } from '../nesting';
import { cutBySchool, handWork, type CutSchool } from '.';

const INCH = { allowanceMm: 6.35, system: 'inch' as const };
const square = (mm: number) => [{ x: 0, y: 0 }, { x: mm, y: 0 }, { x: mm, y: mm }, { x: 0, y: mm }]; // prettier-ignore
const areaBy = (
  polygon: PieceKind['polygon'],
  school: CutSchool,
  settings: Parameters<typeof cutBySchool>[2] = INCH,
) => polygonArea(cutBySchool([{ id: 'a', count: 3, polygon }], school, settings)[0]?.polygon ?? []);

test('by hand: a strip of 2″ by 1″ cut exactly, with ⅜″, as a square and across a strip; turned it is the same', () => {
  const [cos, sin] = [0.8, 0.6];
  const strip = [{ x: 0, y: 0 }, { x: 50.8, y: 0 }, { x: 50.8, y: 25 }, { x: 0, y: 25 }]; // prettier-ignore
  const turned = strip.map(({ x, y }) => ({ x: cos * x - sin * y, y: sin * x + cos * y }));
  for (const polygon of [strip, turned]) {
    expect(areaBy(polygon, 'exact')).toBeCloseTo(50.8 * 25, 6);
    expect(areaBy(polygon, 'generous')).toBeCloseTo((50.8 + 6.35) * (25 + 6.35), 1);
    expect(areaBy(polygon, 'square')).toBeCloseTo(50.8 ** 2, 6);
    // 25 mm go up to the next eighth of an inch: a whole one.
    expect(areaBy(polygon, 'strip')).toBeCloseTo(50.8 * 25.4, 6);
  }
  expect(areaBy(strip, 'generous', { allowanceMm: 12, system: 'metric' })).toBeCloseTo(50.8 * 25, 6);
  expect(cutBySchool([{ id: 'a', count: 3, polygon: strip }], 'square', INCH)[0]).toMatchObject({ id: 'a', count: 3 }); // prettier-ignore
});

test('whatever the shape, exact is least, and a square holds what a strip holds', () => {
  const shapes = fc.array(fc.record({ r: fc.double({ min: 10, max: 60, noNaN: true }), turn: fc.double({ min: 0, max: 0.6, noNaN: true }) }), { minLength: 3, maxLength: 7 });
  fc.assert(
    fc.property(shapes, (spokes) => {
      const polygon = spokes.map(({ r, turn }, index) => ({ x: r * Math.cos(((index + turn) * 2 * Math.PI) / spokes.length), y: r * Math.sin(((index + turn) * 2 * Math.PI) / spokes.length) }));
      const [exact, generous, box, strip] = (['exact', 'generous', 'square', 'strip'] as const).map((school) => areaBy(polygon, school)) as [number, number, number, number];
      expect(generous).toBeGreaterThan(exact - 1e-6);
      expect(strip).toBeGreaterThan(exact - 1e-6);
      expect(box).toBeGreaterThan(strip - 1e-6);
    }),
  );
}); // prettier-ignore

test('pieces that lie on each other are cut at once, so many layers; a pile is no larger than there are pieces', () => {
  const pieces = [{ polygon: square(50), count: 5 }, { polygon: square(25), count: 1 }]; // prettier-ignore
  expect([1, 2, 5, 9].map((layers) => handWork(pieces, 100, layers).lineMm)).toEqual([1100, 700, 300, 300]);
});
