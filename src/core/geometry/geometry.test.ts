import fc from 'fast-check';
import { expect, test } from 'vitest';
import {
  areaOf,
  boxOf,
  clusterPoints,
  convexDepth,
  cornerAngle,
  directionAt,
  distance,
  edgeLength,
  findSelfCrossing,
  flatten,
  isConvex,
  locate,
  outlinePath,
  movedOutline,
  narrowestBox,
  partOf,
  perimeterOf,
  pointAt,
  reversed,
  reversedOutline,
  signedArea,
  toPolygon,
  turnDegrees,
  type Edge,
  type Outline,
  type Point,
} from '.';
import { overlapOf } from '../booleans';

const coordinate = fc.integer({ min: -200, max: 200 });
const point = fc.record({ x: coordinate, y: coordinate });
const edge: fc.Arbitrary<Edge> = fc
  .record({ a: point, b: point, bulge: fc.integer({ min: -12, max: 12 }).map((tenths) => tenths / 10) })
  .filter(({ a, b }) => distance(a, b) > 5);
const share = fc.integer({ min: 0, max: 100 }).map((percent) => percent / 100);

function polygon(...points: readonly (readonly [number, number])[]): Outline {
  return { corners: points.map(([x, y]) => ({ x, y })), bulges: points.map(() => 0) };
}

/** Polygons round a centre, one corner per direction: never crossing themselves. */
const starShaped = fc.array(fc.integer({ min: 20, max: 100 }), { minLength: 3, maxLength: 12 }).map((radii) =>
  polygon(
    ...radii.map((radius, i) => {
      const angle = (2 * Math.PI * i) / radii.length;
      return [radius * Math.cos(angle), radius * Math.sin(angle)] as const;
    }),
  ),
);

test('a point taken along a side is found there again', () => {
  fc.assert(
    fc.property(edge, share, (side, part) => {
      const along = part * edgeLength(side);
      const found = locate(side, pointAt(side, along));
      expect(found.off).toBeLessThan(1e-6);
      expect(distance(pointAt(side, found.along), pointAt(side, along))).toBeLessThan(1e-6);
    }),
  );
});

test('sides begin at a and end at b, and run back the same way', () => {
  fc.assert(
    fc.property(edge, share, (side, part) => {
      const length = edgeLength(side);
      expect(distance(pointAt(side, 0), side.a)).toBeLessThan(1e-6);
      expect(distance(pointAt(side, length), side.b)).toBeLessThan(1e-6);
      const back = reversed(side);
      expect(edgeLength(back)).toBeCloseTo(length, 6);
      expect(distance(pointAt(back, length * (1 - part)), pointAt(side, length * part))).toBeLessThan(1e-6);
      expect(turnDegrees(directionAt(side, 0), directionAt(back, length))).toBeCloseTo(180, 3);
    }),
  );
});

test('no point off a side is nearer to it than the one that is found', () => {
  fc.assert(
    fc.property(edge, point, (side, from) => {
      const { off } = locate(side, from);
      const length = edgeLength(side);
      for (let i = 0; i <= 60; i++) {
        expect(distance(pointAt(side, (length * i) / 60), from)).toBeGreaterThan(off - 1e-6);
      }
    }),
  );
});

test('a stretch of a side lies on it and has the length asked for', () => {
  fc.assert(
    fc.property(edge, share, share, (side, p, q) => {
      const [from, to] = [Math.min(p, q) * edgeLength(side), Math.max(p, q) * edgeLength(side)];
      if (to - from < 1) return;
      const part = partOf(side, from, to);
      expect(edgeLength(part)).toBeCloseTo(to - from, 5);
      expect(locate(side, pointAt(part, (to - from) / 2)).off).toBeLessThan(1e-5);
    }),
  );
});

test('flattened curves stay as near as asked', () => {
  fc.assert(
    fc.property(edge, (side) => {
      const points = flatten(side, 0.05);
      points.slice(1).forEach((b, i) => {
        const a = points[i] as Point;
        expect(locate(side, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }).off).toBeLessThan(0.0501);
      });
    }),
  );
});

test('area and corners survive turning, and running backwards changes the sign alone', () => {
  fc.assert(
    fc.property(starShaped, fc.integer({ min: 0, max: 359 }), (outline, degrees) => {
      const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
      const turned = movedOutline(outline, ({ x, y }) => ({ x: x * cos - y * sin, y: x * sin + y * cos }));
      expect(signedArea(turned)).toBeCloseTo(signedArea(outline), 4);
      expect(signedArea(reversedOutline(outline))).toBeCloseTo(-signedArea(outline), 6);
      expect(perimeterOf(turned)).toBeCloseTo(perimeterOf(outline), 6);
      const sum = outline.corners.reduce((total, _, corner) => total + cornerAngle(turned, corner), 0);
      expect(sum).toBeCloseTo(180 * (outline.corners.length - 2), 4);
    }),
  );
});

test('areas with curves agree with their flattened polygons', () => {
  fc.assert(
    fc.property(starShaped, fc.integer({ min: -3, max: 6 }), (outline, tenths) => {
      const curved: Outline = { ...outline, bulges: outline.bulges.map(() => tenths / 20) };
      expect(Math.abs(areaOf(curved) - areaOf(polygonOf(toPolygon(curved, 0.001))))).toBeLessThan(2);
    }),
  );
});

function polygonOf(points: readonly Point[]): Outline {
  return { corners: points, bulges: points.map(() => 0) };
}

test('the narrowest strip holds the outline, and no direction tried by hand is narrower', () => {
  fc.assert(
    fc.property(starShaped, (outline) => {
      const { width, length } = narrowestBox(outline);
      expect(width).toBeLessThanOrEqual(length + 1e-9);
      expect(width * length).toBeGreaterThanOrEqual(areaOf(outline) - 1e-6);
      for (let degrees = 0; degrees < 180; degrees += 3) {
        const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
        const { minX, maxX } = boxOf(movedOutline(outline, ({ x, y }) => ({ x: x * cos - y * sin, y: 0 })));
        expect(maxX - minX).toBeGreaterThan(width - 1e-6);
      }
    }),
  );
});

test('points are one place exactly when a chain of steps of a tenth of a millimetre leads from one to the other', () => {
  const near = fc.record({ x: fc.integer({ min: 0, max: 30 }), y: fc.integer({ min: 0, max: 6 }) });
  fc.assert(
    fc.property(fc.array(near, { minLength: 1, maxLength: 25 }), (hundredths) => {
      const points = hundredths.map(({ x, y }) => ({ x: x / 25, y: y / 25 }));
      const group = points.map((_, i) => i);
      for (let round = 0; round < points.length; round++) {
        points.forEach((p, i) =>
          points.forEach((q, k) => {
            if (distance(p, q) <= 0.1) group[i] = group[k] = Math.min(group[i]!, group[k]!);
          }),
        );
      }
      const { numbers, places } = clusterPoints(points);
      expect(places).toHaveLength(new Set(group).size);
      points.forEach((_, i) =>
        points.forEach((__, k) => expect(numbers[i] === numbers[k]).toBe(group[i] === group[k])),
      );
    }),
    { numRuns: 60 },
  );
});

test('overlaps of upright boxes are what arithmetic says', () => {
  const box = fc.record({
    x: coordinate,
    y: coordinate,
    w: fc.integer({ min: 5, max: 90 }),
    h: fc.integer({ min: 5, max: 90 }),
  });
  const outlineOf = ({ x, y, w, h }: { x: number; y: number; w: number; h: number }) =>
    polygon([x, y], [x + w, y], [x + w, y + h], [x, y + h]);
  fc.assert(
    fc.property(box, box, (a, b) => {
      const across = Math.min(a.x + a.w, b.x + b.w) - Math.max(a.x, b.x);
      const down = Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y);
      const expected = Math.max(0, across) * Math.max(0, down);
      const [p, q] = [outlineOf(a), outlineOf(b)];
      expect(overlapOf(p, q).area).toBeCloseTo(expected, 3);
      expect(convexDepth(p.corners, q.corners) > 1e-9).toBe(expected > 0);
    }),
  );
});

test('outlines round a centre never cross themselves; swapping two far corners makes them', () => {
  fc.assert(
    fc.property(starShaped, (outline) => {
      expect(findSelfCrossing(outline)).toBeUndefined();
      if (outline.corners.length !== 8) return;
      const corners = [...outline.corners];
      [corners[1], corners[4]] = [corners[4] as Point, corners[1] as Point];
      expect(findSelfCrossing({ ...outline, corners })).toBeDefined();
    }),
  );
});

test('convexity is told for clockwise polygons', () => {
  expect(isConvex(polygon([0, 0], [10, 0], [10, 10], [0, 10]).corners)).toBe(true);
  expect(isConvex(polygon([0, 0], [10, 0], [10, 10], [8, 2]).corners)).toBe(false);
});

test('a tip between curves whose tangents coincide measures 0° outwards and 360° inwards', () => {
  const quarter = Math.tan(Math.PI / 8);
  const shell: Outline = {
    corners: [
      { x: -10, y: 0 },
      { x: 10, y: 0 },
      { x: 0, y: 10 },
    ],
    bulges: [1, -quarter, -quarter],
  };
  expect(cornerAngle(shell, 2)).toBe(0);
  expect([cornerAngle(shell, 0), cornerAngle(shell, 1)].map(Math.round)).toEqual([90, 90]);
});

test('an outline as a path: to the micrometre, arcs round and by their sweep', () => {
  const corners = [{ x: 0, y: 0 }, { x: 10 / 3, y: 0 }, { x: 10 / 3, y: 5 }];
  expect(outlinePath({ corners, bulges: [0, 0, 0] })).toBe('M0 0L3.333 0L3.333 5L0 0Z');
  // A half circle of 5 mm across, then the larger part of one.
  expect(outlinePath({ corners, bulges: [0, 1, 0] })).toBe('M0 0L3.333 0A2.5 2.5 0 0 1 3.333 5L0 0Z');
  expect(outlinePath({ corners, bulges: [0, -2, 0] }, 1)).toBe('M0 0L3.3 0A3.1 3.1 0 1 0 3.3 5L0 0Z');
  expect(outlinePath({ corners: [], bulges: [] })).toBe('');
}); // prettier-ignore
