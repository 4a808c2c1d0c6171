import fc from 'fast-check';
import { expect, test } from 'vitest';
import { pacedTime } from '../testing';
import { areaOf, mirrored, movedOutline, signedArea, type Outline } from '../geometry';
import { findLookAlikes, groupKinds, nameShape, resemblance, signatureOf } from '.';
import { tellingMeasure } from './lookAlikes';

function outline(...points: readonly (readonly [number, number])[]): Outline {
  return { corners: points.map(([x, y]) => ({ x, y })), bulges: points.map(() => 0) };
}

function turned(shape: Outline, degrees: number, dx: number, dy: number): Outline {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return movedOutline(shape, ({ x, y }) => ({ x: x * cos - y * sin + dx, y: x * sin + y * cos + dy }));
}

function renumbered({ corners, bulges }: Outline, by: number): Outline {
  const roll = <T>(list: readonly T[]) => [
    ...list.slice(by % list.length),
    ...list.slice(0, by % list.length),
  ];
  return { corners: roll(corners), bulges: roll(bulges) };
}

const SLANTED = outline([0, 0], [60, 0], [80, 25], [20, 25]);
const H = 25.4 * Math.sqrt(3);
const HEXAGON = outline([12.7, 0], [38.1, 0], [50.8, H / 2], [38.1, H], [12.7, H], [0, H / 2]);

/** Convex-ish handed quadrilaterals on whole millimetres. */
const quadrilateral = fc
  .tuple(fc.integer({ min: 20, max: 90 }), fc.integer({ min: 5, max: 60 }), fc.integer({ min: 20, max: 80 }), fc.integer({ min: 1, max: 19 }))
  .map(([w, x, h, lift]) => outline([0, 0], [w, lift], [w + x, h], [0, h + 11])); // prettier-ignore

const motion = fc.tuple(
  fc.integer({ min: 0, max: 359 }),
  fc.integer({ min: -500, max: 500 }),
  fc.integer({ min: -500, max: 500 }),
  fc.nat(7),
);

test('moving, turning and renumbering keep a paper the paper it is, hand included', () => {
  fc.assert(
    fc.property(quadrilateral, motion, (shape, [degrees, dx, dy, by]) => {
      const { kinds, kindOf, handOf } = groupKinds([shape, renumbered(turned(shape, degrees, dx, dy), by)]);
      expect(kinds).toHaveLength(1);
      expect(kindOf[0]).toBe(kindOf[1]);
      expect(handOf[0]).toBe(handOf[1]);
    }),
  );
});

test('turning a paper over swaps its hand and nothing else', () => {
  fc.assert(
    fc.property(quadrilateral, motion, (shape, [degrees, dx, dy, by]) => {
      const { kinds, handOf } = groupKinds([shape, renumbered(turned(mirrored(shape), degrees, dx, dy), by)]);
      expect(kinds).toHaveLength(1);
      expect(new Set(handOf)).toEqual(kinds[0]?.isHanded ? new Set(['L', 'R']) : new Set(['none']));
      // The hand does not depend on which of the two is seen first.
      const [alone] = groupKinds([mirrored(shape)]).handOf;
      expect(alone).toBe(handOf[1]);
    }),
  );
});

test('an outline equal to its own reverse has no hand; a slanted strip has two', () => {
  expect(groupKinds([HEXAGON]).handOf).toEqual(['none']);
  expect(groupKinds([SLANTED]).kinds[0]?.isHanded).toBe(true);
  expect(new Set(groupKinds([SLANTED, mirrored(SLANTED)]).handOf)).toEqual(new Set(['L', 'R']));
});

test('mirroring keeps an outline clockwise and its area', () => {
  fc.assert(
    fc.property(quadrilateral, (shape) => {
      expect(signedArea(mirrored(shape))).toBeCloseTo(areaOf(shape), 6);
    }),
  );
});

test('a 1″ hexagon measures what the handbook of the craft says', () => {
  expect(areaOf(HEXAGON)).toBeCloseTo(1676.2, 1);
  expect(signatureOf(HEXAGON).every(({ angleDeg }) => Math.abs(angleDeg - 120) < 1e-9)).toBe(true);
});

const diamond = (edge: number, degrees: number) => {
  const angle = (degrees * Math.PI) / 180;
  return outline([0, 0], [edge, 0], [edge + edge * Math.cos(angle), edge * Math.sin(angle)], [edge * Math.cos(angle), edge * Math.sin(angle)]);
}; // prettier-ignore

test.each([
  ['1″ hexagon', HEXAGON],
  ['1½″ 60° diamond', diamond(38.1, 60)],
  ['1″ 45° diamond', diamond(25.4, 45)],
  ['2″ square', outline([0, 0], [50.8, 0], [50.8, 50.8], [0, 50.8])],
  ['30 mm × 45 mm rectangle', outline([0, 0], [45, 0], [45, 30], [0, 30])],
  ['2″ half-square triangle', outline([0, 0], [50.8, 0], [0, 50.8])],
  ['1″ half hexagon', outline([12.7, 0], [38.1, 0], [50.8, H / 2], [0, H / 2])],
  ['1″ triangle', outline([0, 0], [25.4, 0], [12.7, H / 2])],
])('names a %s', (name, shape) => {
  expect(nameShape(signatureOf(shape), 'inch')).toBe(name);
});

test('a circle is named by its diameter', () => {
  const circle: Outline = { corners: [{ x: -20, y: 0 }, { x: 20, y: 0 }], bulges: [1, 1] }; // prettier-ignore
  expect(areaOf(circle)).toBeCloseTo(Math.PI * 400, 6);
  expect(nameShape(signatureOf(circle), 'metric')).toBe('40 mm circle');
});

test('clamshells are one kind without a hand, whatever the rounding says of their tips', () => {
  const bulge = Math.tan(Math.PI / 8);
  const shell = (x: number, y: number, r: number): Outline => ({
    corners: [{ x: x - r, y }, { x: x + r, y }, { x, y: y + r }],
    bulges: [1, -bulge, -bulge],
  }); // prettier-ignore
  const shells = Array.from({ length: 40 }, (_, i) => shell(25.4 * i, 25.4 * Math.floor(i / 5), 25.4));
  const { kinds, handOf } = groupKinds(shells.map((one, i) => turned(one, i * 9, 0, 0)));
  expect([kinds.length, new Set(handOf)]).toEqual([1, new Set(['none'])]);
});

test('laying an outline on itself, turned, moved or turned over, leaves nothing between', () => {
  fc.assert(
    fc.property(quadrilateral, motion, fc.boolean(), (shape, [degrees, dx, dy], isOver) => {
      const other = turned(isOver ? mirrored(shape) : shape, degrees, dx, dy);
      expect(resemblance(shape, other).distanceMm).toBeLessThan(0.8);
    }),
    { numRuns: 40 },
  );
});

test('a rectangle 2 mm longer is a look-alike told by its length; one 8 mm longer is none; hands always are', () => {
  const bar = (length: number) => outline([0, 0], [length, 0], [length, 25], [0, 25]);
  const paper = (shape: Outline, isHanded = false) => ({ name: 'x', outline: shape, isHanded });
  const found = findLookAlikes([
    paper(bar(60)),
    paper(turned(bar(62), 40, 5, 5)),
    paper(bar(68)),
    paper(SLANTED, true),
  ]);
  expect(found.map((one) => (one.kind === 'pair' ? one.papers : one.paper))).toEqual([[0, 1], 3]);
  expect(found[0]).toMatchObject({ distanceMm: expect.closeTo(1, 0), tellBy: { unit: 'mm', a: 60 } });
});

test('two papers are told apart by what differs most: a degree counts as a millimetre', () => {
  const bar = (width: number) => outline([0, 0], [width, 0], [width, 60], [0, 60]);
  expect(tellingMeasure(bar(40), bar(43))).toMatchObject({ name: 'shortest edge', unit: 'mm', a: 40, b: 43 });
  // A rhombus that leans a little more: its sides stay as they are.
  const rhombus = (degrees: number) => outline([0, 0], [30, 0], [30 + 30 * Math.cos((degrees * Math.PI) / 180), 30 * Math.sin((degrees * Math.PI) / 180)], [30 * Math.cos((degrees * Math.PI) / 180), 30 * Math.sin((degrees * Math.PI) / 180)]);
  expect(tellingMeasure(rhombus(60), rhombus(66))).toMatchObject({ name: 'sharpest corner', unit: 'deg', a: expect.closeTo(60, 6), b: expect.closeTo(66, 6) });
}); // prettier-ignore

test('200 kinds are searched without a noticeable wait', async () => {
  const papers = Array.from({ length: 200 }, (_, i) => ({ name: `${i}`, outline: outline([0, 0], [20 + i, 0], [25 + i, 30], [5, 30 + (i % 9)]), isHanded: false })); // prettier-ignore
  let found = 0;
  const ms = await pacedTime(
    () => (found = findLookAlikes(papers).length),
    () => performance.now(),
  );
  expect(found).toBeGreaterThan(100);
  expect(ms).toBeLessThan(3000);
});
