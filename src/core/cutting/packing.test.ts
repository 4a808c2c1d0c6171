import fc from 'fast-check';
import { expect, test } from 'vitest';
import { defaultPaper, makePaper, type Paper, type PaperFamily } from '../catalogue';
import { overlapOf } from '../booleans';
import { areaOf, boxOf, edgesOf, locate, moveOutline, type Outline, type Point } from '../geometry';
import { packLattice, packSheets, papersPerSheet } from '.';
import { clearance, profileOf } from './profile';

const FAMILIES: PaperFamily[] = ['regular', 'diamond', 'half-hexagon', 'kite', 'half-square-triangle', 'isosceles-triangle', 'rectangle', 'slanted-strip', 'elongated-hexagon', 'jewel', 'blade', 'wedge', 'clamshell']; // prettier-ignore

function check(outlines: readonly Outline[], width: number, height: number): void {
  for (const [i, outline] of outlines.entries()) {
    const { minX, minY, maxX, maxY } = boxOf(outline);
    expect(Math.min(minX, minY), 'inside the sheet').toBeGreaterThan(-0.02);
    expect(Math.max(maxX - width, maxY - height)).toBeLessThan(0.02);
    for (const other of outlines.slice(i + 1)) expect(overlapOf(outline, other).area).toBeLessThan(0.05);
  }
}

test('copies of every family lie inside the sheet and never on each other', () => {
  for (const family of FAMILIES) {
    const outline = makePaper(defaultPaper(family));
    const { places } = packLattice(outline, 190, 150, 40);
    expect(places.length, family).toBeGreaterThan(0);
    check(places.map((motion) => moveOutline(motion, outline)), 190, 150); // prettier-ignore
  }
});

test('shapes that tile fill a large field but for its rim', () => {
  const tiling: Paper[] = [
    { family: 'regular', sides: 6, edgeMm: 10 },
    { family: 'regular', sides: 3, edgeMm: 20 },
    { family: 'diamond', edgeMm: 20, angleDeg: 60 },
    { family: 'half-hexagon', edgeMm: 12 },
    { family: 'isosceles-triangle', legMm: 30, apexDeg: 40 },
    { family: 'kite', edgeMm: 30, tipDeg: 60, footDeg: 120 },
  ];
  const [width, height] = [900, 900];
  for (const paper of tiling.slice(0, 5)) {
    const outline = makePaper(paper);
    const share = (papersPerSheet(outline, width, height) * areaOf(outline)) / (width * height);
    expect(share, paper.family).toBeGreaterThan(0.93);
  }
});

test('a 40 mm square goes 4 × 7 times on A4 less margins, shared cuts or not counted alike', () => {
  const square = makePaper({ family: 'regular', sides: 4, edgeMm: 40 });
  expect(papersPerSheet(square, 190, 281)).toBe(28);
  expect(papersPerSheet(square, 160, 280)).toBe(28);
  expect(papersPerSheet(square, 166, 292, 2)).toBe(28);
  expect(papersPerSheet(square, 165.9, 292, 2)).toBe(21);
});

test('mixed kinds with a gap: all are placed, apart, and what is too large is said', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ family: fc.constantFrom(...FAMILIES.slice(0, 6)), count: fc.integer({ min: 1, max: 9 }), size: fc.integer({ min: 15, max: 45 }) }), { minLength: 1, maxLength: 4 }), // prettier-ignore
      (wishes) => {
        const kinds = wishes.map(({ family, count, size }) => ({
          outline: makePaper(defaultPaper(family, size)),
          count,
        }));
        const { sheets, tooLarge } = packSheets(kinds, 190, 260, 2);
        expect(tooLarge).toEqual([]);
        kinds.forEach(({ count }, kind) =>
          expect(sheets.flat().filter((one) => one.kind === kind)).toHaveLength(count),
        );
        for (const sheet of sheets) check(sheet.map(({ kind, motion }) => moveOutline(motion, kinds[kind]!.outline)), 190, 260); // prettier-ignore
      },
    ),
    { numRuns: 25 },
  );
  const long = { outline: makePaper({ family: 'rectangle', widthMm: 40, lengthMm: 400 }), count: 2 };
  expect(packSheets([long], 190, 260).tooLarge).toEqual([0]);
});

test('on any sheet two half-square triangles go where one square goes', () => {
  const side = fc.integer({ min: 150, max: 300 });
  fc.assert(
    fc.property(side, side, fc.integer({ min: 25, max: 60 }), (width, height, legMm) => {
      const count = (paper: Paper) => papersPerSheet(makePaper(paper), width, height);
      const squares = count({ family: 'regular', sides: 4, edgeMm: legMm });
      expect(count({ family: 'half-square-triangle', legMm })).toBeGreaterThanOrEqual(2 * squares);
    }),
    { numRuns: 25 },
  );
});

test('any shape, however slender or hollow, is packed without copies on each other or nearer than the gap', () => {
  // Corners at random reaches round a middle: often with bays, sometimes thin as a blade.
  const shape = fc.array(fc.double({ min: 8, max: 60, noNaN: true }), { minLength: 3, maxLength: 9 }).map((reaches): Outline => ({
    corners: reaches.map((reach, i) => ({ x: reach * Math.cos((2 * Math.PI * i) / reaches.length), y: reach * Math.sin((2 * Math.PI * i) / reaches.length) })),
    bulges: reaches.map(() => 0),
  })); // prettier-ignore
  fc.assert(
    fc.property(
      shape,
      fc.constantFrom(0, 0.5, 3),
      fc.integer({ min: 1, max: 30 }),
      (outline, gapMm, wanted) => {
        const places = packLattice(outline, 190, 250, wanted, gapMm).places.slice(0, wanted);
        expect(places.length).toBeGreaterThan(0);
        const laid = places.map((motion) => moveOutline(motion, outline));
        check(laid, 190, 250);
        laid.forEach((own, i) => {
          for (const other of laid.slice(i + 1)) {
            // The nearest two places of polygons that do not meet are a corner of one and a side of the other.
            const near = Math.min(...[[own, other], [other, own]].flatMap(([p, q]) =>
            p!.corners.flatMap((corner) => edgesOf(q!).map((edge) => locate(edge, corner).off)))); // prettier-ignore
            expect(near).toBeGreaterThan(gapMm - 0.02);
          }
        });
      },
    ),
    { numRuns: 40 },
  );
}, 120_000);

test('what one shape needs to clear another is what looking at every level finds', () => {
  const polygon = fc.array(fc.double({ min: 8, max: 60, noNaN: true }), { minLength: 3, maxLength: 8 }).map((reaches) =>
    reaches.map((reach, i) => ({ x: reach * Math.cos((2 * Math.PI * i) / reaches.length), y: reach * Math.sin((2 * Math.PI * i) / reaches.length) }))); // prettier-ignore
  /** Greatest reach of one less least reach of the other, at a level. */
  const cut = (points: readonly Point[], level: number) =>
    points.flatMap((p, i) => {
      const q = points[(i + 1) % points.length]!;
      return p.x > level === q.x > level ? [] : [p.y + ((q.y - p.y) * (level - p.x)) / (q.x - p.x)];
    });
  fc.assert(
    fc.property(polygon, polygon, fc.double({ min: -90, max: 90, noNaN: true }), (a, b, shift) => {
      const moved = b.map(({ x, y }) => ({ x: x + shift, y }));
      let seen = -Infinity;
      for (let level = -160; level < 160; level += 0.173) {
        const [own, other] = [cut(a, level), cut(moved, level)];
        if (own.length > 0 && other.length > 0) seen = Math.max(seen, Math.max(...own) - Math.min(...other));
      }
      const found = clearance(profileOf(a, 'y'), profileOf(b, 'y'), shift);
      if (seen > -Infinity) {
        // Looking at levels may miss the very point, never see more than there is.
        expect(found).toBeGreaterThan(seen - 1e-3);
        const apart = b.map(({ x, y }) => ({ x: x + shift, y: y + found + 1e-3 }));
        const outline = (points: readonly Point[]): Outline => ({
          corners: points,
          bulges: points.map(() => 0),
        });
        expect(overlapOf(outline(a), outline(apart)).area).toBeLessThan(1e-3);
      }
    }),
    { numRuns: 60 },
  );
});
