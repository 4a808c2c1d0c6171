import fc from 'fast-check';
import { expect, test } from 'vitest';
import {
  bestMotion,
  compose,
  distance,
  edgeOf,
  isInside,
  isSamePlace,
  layAgainst,
  moveOutline,
  movePoint,
  reflectIn,
  signedArea,
  turnAbout,
  type Motion,
  type Outline,
} from '.';

const point = fc.record({ x: fc.double({ min: -200, max: 200, noNaN: true }), y: fc.double({ min: -200, max: 200, noNaN: true }) }); // prettier-ignore
const degrees = fc.integer({ min: -720, max: 720 });
const motion: fc.Arbitrary<Motion> = fc
  .tuple(fc.boolean(), point, degrees)
  .map(([isReflection, at, by]) => (isReflection ? reflectIn(at, by) : turnAbout(at, by)));
const blade: Outline = {
  corners: [{ x: 0, y: 0 }, { x: 30, y: 4 }, { x: 22, y: 20 }], // prettier-ignore
  bulges: [0.3, 0, -0.2],
};

test('a motion keeps lengths, and of two motions the second comes after the first', () => {
  fc.assert(
    fc.property(motion, motion, point, point, (first, second, p, q) => {
      const [a, b] = [movePoint(first, p), movePoint(first, q)];
      expect(Math.hypot(b.x - a.x, b.y - a.y)).toBeCloseTo(Math.hypot(q.x - p.x, q.y - p.y), 6);
      const both = movePoint(compose(second, first), p);
      const one = movePoint(second, a);
      expect(Math.hypot(both.x - one.x, both.y - one.y)).toBeLessThan(1e-6);
    }),
  );
});

test('an outline stays clockwise under every motion, and a reflection done twice changes nothing', () => {
  fc.assert(
    fc.property(motion, point, degrees, (any, at, by) => {
      expect(signedArea(moveOutline(any, blade))).toBeCloseTo(signedArea(blade), 6);
      const twice = moveOutline(reflectIn(at, by), moveOutline(reflectIn(at, by), blade));
      expect(isSamePlace(twice, blade, 1e-6)).toBe(true);
    }),
  );
});

test('a reflection leaves its own line where it is', () => {
  fc.assert(
    fc.property(point, degrees, (at, by) => {
      const angle = (by * Math.PI) / 180;
      const on = { x: at.x + 37 * Math.cos(angle), y: at.y + 37 * Math.sin(angle) };
      const image = movePoint(reflectIn(at, by), on);
      expect(Math.hypot(image.x - on.x, image.y - on.y)).toBeLessThan(1e-6);
    }),
  );
});

test('laid against an equal side, both ends meet', () => {
  const square: Outline = {
    corners: [{ x: 0, y: 0 }, { x: 10, y: 0 }, { x: 10, y: 10 }, { x: 0, y: 10 }], // prettier-ignore
    bulges: [0, 0, 0, 0],
  };
  const there = turnAbout({ x: 3, y: -5 }, 33);
  const neighbour = moveOutline(there, square);
  const laid = moveOutline(layAgainst(edgeOf(square, 2), edgeOf(neighbour, 1)), square);
  const [own, theirs] = [edgeOf(laid, 2), edgeOf(neighbour, 1)];
  expect(own.a.x).toBeCloseTo(theirs.b.x, 9);
  expect(own.b.y).toBeCloseTo(theirs.a.y, 9);
  expect(isInside({ x: 5, y: 5 }, square.corners)).toBe(true);
  expect(isInside({ x: 5, y: 15 }, square.corners)).toBe(false);
});

test('the best motion finds back any turn and shift, and of slips that disagree no other leaves less', () => {
  const points = fc.array(point, { minLength: 2, maxLength: 7 }).filter((list) => list.some((one) => distance(one, list[0]!) > 1)); // prettier-ignore
  const slip = fc.record({ x: fc.double({ min: -2, max: 2, noNaN: true }), y: fc.double({ min: -2, max: 2, noNaN: true }) }); // prettier-ignore
  fc.assert(
    fc.property(
      points,
      point,
      degrees,
      fc.array(slip, { minLength: 7, maxLength: 7 }),
      (from, centre, by, slips) => {
        const truth = turnAbout(centre, by);
        const found = bestMotion(from, from.map((one) => movePoint(truth, one))); // prettier-ignore
        for (const one of from)
          expect(distance(movePoint(found, one), movePoint(truth, one))).toBeLessThan(1e-6);
        const to = from.map((one, i) => ({ x: one.x + slips[i]!.x, y: one.y + slips[i]!.y }));
        const best = bestMotion(from, to);
        const left = (motion: Motion) => from.reduce((sum, one, i) => sum + distance(movePoint(motion, one), to[i]!) ** 2, 0); // prettier-ignore
        for (const degrees of [-1, 0, 1])
        for (const [x, y] of [[0.1, 0], [-0.1, 0.1], [0, 0]] as const)
          expect(left(best)).toBeLessThanOrEqual(left(compose({ ...turnAbout(centre, degrees), x: turnAbout(centre, degrees).x + x, y: turnAbout(centre, degrees).y + y }, best)) + 1e-6); // prettier-ignore
      },
    ),
  );
});
