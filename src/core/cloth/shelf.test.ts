import { expect, test } from 'vitest';
import { cutPieces, smallestCut, standardCuts } from '../cutting';
import { areaOf, mirrored, type Outline } from '../geometry';
import { polygonArea } from '../nesting';
import { USUAL_CLOTH, hasRepeat, soldBy, worthOf } from '.';

const cloth = { ...USUAL_CLOTH, widthMm: 1000, selvedgeMm: 0, pricePerMetre: 10 };

test('cloth is sold by tenths of a metre or eighths of a yard', () => {
  expect([soldBy('metric'), soldBy('inch')]).toEqual([100, 114.3]);
});

test('a piece is worth its share of a metre of the bolt between the selvedges', () => {
  expect(worthOf(cloth, 500, 250)).toBeCloseTo(1.25, 9);
  expect(worthOf({ ...cloth, selvedgeMm: 100 }, 800, 500)).toBeCloseTo(5, 9);
});

const strip: Outline = { corners: [{ x: 0, y: 0 }, { x: 80, y: 0 }, { x: 60, y: 25 }, { x: -20, y: 25 }], bulges: [0, 0, 0, 0] }; // prettier-ignore

test('cut pieces of a bag: counted by kind and hand, each hand a shape of its own, larger by the allowance all round', () => {
  const lean: Outline = { ...strip, corners: [{ x: 0, y: 0 }, { x: 80, y: 0 }, { x: 55, y: 25 }, { x: 0, y: 25 }] }; // prettier-ignore
  const patches = [lean, lean, mirrored(lean), strip].map((outline, index) => ({ id: `${index}`, outline, fabric: index === 3 ? 'Tar' : 'Fog', layer: 0 })); // prettier-ignore
  const pieces = cutPieces(patches, 'Fog', ['lean', 'strip'], { allowanceMm: 6, backgroundMoreMm: 25 });
  expect(pieces.map(({ count }) => count).sort()).toEqual([1, 2]);
  expect(new Set(pieces.map(({ id }) => id.slice(-1)))).toEqual(new Set(['L', 'R']));
  for (const { polygon } of pieces) expect(polygonArea(polygon)).toBeGreaterThan(areaOf(lean) + 6 * 200);
  expect(cutPieces(patches, 'Tar', ['lean', 'strip'], { allowanceMm: 6, backgroundMoreMm: 25 })).toHaveLength(
    1,
  );
});

test('the smallest cut that holds all pieces: squares by hand', () => {
  const side = (mm: number) => [{ x: 0, y: 0 }, { x: mm, y: 0 }, { x: mm, y: mm }, { x: 0, y: mm }]; // prettier-ignore
  const cutFor = (mm: number, count: number) => {
    let asked = 0;
    return smallestCut([{ id: 'q', polygon: side(mm), count }], standardCuts(1070, 'metric'), 'any', () => () => asked++ / 60)?.cut.name; // prettier-ignore
  };
  expect(cutFor(60, 4)).toBe('square of 12.5 cm');
  expect(cutFor(60, 5)).toBe('square of 25 cm');
  expect(cutFor(120, 5)).toContain('fat eighth');
  expect(cutFor(600, 1)).toBeUndefined();
});

test('a print has motifs to cut round from a repeat of 5 mm on, both ways', () => {
  const of = (repeatWidthMm: number, repeatHeightMm: number) =>
    hasRepeat({ ...USUAL_CLOTH, repeatWidthMm, repeatHeightMm });
  expect([of(5, 5), of(4.9, 5), of(5, 4.9), of(0, 0)]).toEqual([true, false, false, false]);
});
