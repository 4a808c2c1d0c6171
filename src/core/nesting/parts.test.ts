import fc from 'fast-check';
import { areaPathsD, FillRule, intersectD } from 'clipper2-ts';
import { expect, test } from 'vitest';
import type { Point } from '../geometry';
import { makePaper } from '../catalogue';
import { toPolygon } from '../geometry';
import { convexParts, depthAt, noFitOf, polygonArea } from '.';
import { densestLattices } from './lattices';
import { looser } from './looser';

/** Corners round a middle at whole reaches: often hollow. */
const shape = fc.array(fc.integer({ min: 10, max: 60 }), { minLength: 3, maxLength: 9 }).map((reaches): Point[] =>
  reaches.map((reach, i) => ({ x: reach * Math.cos((2 * Math.PI * i) / reaches.length), y: reach * Math.sin((2 * Math.PI * i) / reaches.length) })),
); // prettier-ignore

const pointsOf = (part: Float64Array): Point[] =>
  Array.from({ length: part.length / 2 }, (_, i) => ({ x: part[2 * i]!, y: part[2 * i + 1]! }));

test('convex parts are convex, cover the shape and nothing else', () => {
  fc.assert(
    fc.property(shape, (polygon) => {
      const parts = convexParts(polygon).map(pointsOf);
      expect(parts.reduce((sum, part) => sum + polygonArea(part), 0)).toBeCloseTo(polygonArea(polygon), 3);
      for (const part of parts) {
        part.forEach((p, i) => {
          const [q, r] = [part[(i + 1) % part.length]!, part[(i + 2) % part.length]!];
          expect((q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x)).toBeGreaterThan(-1e-6);
        });
      }
    }),
    { numRuns: 100 },
  );
});

test('two shapes lie on each other exactly where the no-fit region says so: the clipper agrees', () => {
  fc.assert(
    fc.property(shape, shape, fc.integer({ min: -110, max: 110 }), fc.integer({ min: -110, max: 110 }), (a, b, x, y) => {
      const depth = depthAt(noFitOf(convexParts(a), convexParts(b)), x, y, 1e-6);
      const moved = b.map((p) => ({ x: p.x + x, y: p.y + y }));
      const shared = Math.abs(areaPathsD(intersectD([a], [moved], FillRule.NonZero, 5)));
      if (shared > 0.01) expect(depth).toBeGreaterThan(0);
      if (depth > 0.05) expect(shared).toBeGreaterThan(0);
    }),
    { numRuns: 200 },
  ); // prettier-ignore
});

test('sides that are level but for a hair, on either shape and either way, change nothing: what lies on it is seen to', () => {
  const turnedBy = (polygon: readonly Point[], radians: number) =>
    polygon.map(({ x, y }) => ({ x: Math.cos(radians) * x - Math.sin(radians) * y, y: Math.sin(radians) * x + Math.cos(radians) * y }));
  const hexagon = toPolygon(makePaper({ family: 'regular', sides: 6, edgeMm: 30 }));
  const pentagon: Point[] = [{ x: 47.3, y: 0 }, { x: 20, y: 47.3 }, { x: -7.3, y: 0 }, { x: -3.7, y: -6.4 }, { x: 43.7, y: -6.4 }];
  const middle = (polygon: readonly Point[]) => polygon.reduce((sum, { x, y }) => ({ x: sum.x + x / polygon.length, y: sum.y + y / polygon.length }), { x: 0, y: 0 });
  const quarters = [0, 1, 2, 3];
  const hairs = [-6, -7, -8, -9, -10, -12].flatMap((power) => [10 ** power, -(10 ** power), 4 * 10 ** power, -4 * 10 ** power]);
  for (const one of [hexagon, pentagon])
    for (const other of [hexagon, pentagon])
      for (const quarter of quarters)
        for (const hair of [0, ...hairs]) {
          const [a, b] = [turnedBy(one, (quarter * Math.PI) / 2 + hair), turnedBy(other, hair / 3)];
          const [p, q] = [middle(a), middle(b)];
          const region = noFitOf(convexParts(a), convexParts(b));
          // Middle on middle they lie deep in each other; twice as far apart as they reach they do not.
          expect(depthAt(region, p.x - q.x, p.y - q.y), `${quarter} ${hair}`).toBeGreaterThan(20);
          expect(depthAt(region, p.x - q.x + 130, p.y - q.y)).toBe(0);
        }
}); // prettier-ignore

test('what tiles has a lattice without gaps; without half turns a triangle fills half', () => {
  const density = (polygon: readonly Point[], turns: 'any' | 'none') =>
    polygonArea(polygon) / densestLattices(polygon, turns)[0]!.areaEach;
  const hexagon = toPolygon(makePaper({ family: 'regular', sides: 6, edgeMm: 30 }));
  const kite = toPolygon(makePaper({ family: 'kite', edgeMm: 40, tipDeg: 60, footDeg: 120 }));
  const triangle = toPolygon(makePaper({ family: 'regular', sides: 3, edgeMm: 60 }));
  expect(density(hexagon, 'none')).toBeGreaterThan(0.999);
  for (const polygon of [kite, triangle]) expect(density(polygon, 'any')).toBeGreaterThan(0.999);
  // The densest lattice of a triangle that is not turned holds two thirds.
  expect(density(triangle, 'none')).toBeCloseTo(2 / 3, 2);
});

test('a coarser outline has few corners and holds the curve', () => {
  const disc = Array.from({ length: 90 }, (_, i) => ({ x: 40 * Math.cos((i * Math.PI) / 45), y: 40 * Math.sin((i * Math.PI) / 45) })); // prettier-ignore
  const coarse = looser(disc);
  expect(coarse.length).toBeLessThan(40);
  expect(Math.abs(areaPathsD(intersectD([disc], [[...coarse]], FillRule.NonZero, 4)))).toBeCloseTo(polygonArea(disc), 1); // prettier-ignore
  expect(polygonArea(coarse) / polygonArea(disc)).toBeLessThan(1.04);
  const square = [{ x: 0, y: 0 }, { x: 9, y: 0 }, { x: 9, y: 9 }, { x: 0, y: 9 }]; // prettier-ignore
  expect(looser(square)).toBe(square);
});
