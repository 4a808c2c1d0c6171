import { expect, test } from 'vitest';
import type { SewingSettings } from '../assembly';
import { cutGrid, plannedSheet } from '../testing';

/** Two squares, one seam of 20 mm … the sheet's own figures are checked against sums by hand. */
const pair = cutGrid(2, 1, [0]);
const of = (sewing: Partial<SewingSettings>, patches = pair) =>
  plannedSheet(patches, { allowanceMm: 6.35, sparesPercent: 0, system: 'metric', sewing });

test('every figure of sewing that a project changes is reckoned with', () => {
  const plain = of({});
  const { lengthMm } = plain.seams;
  const figures = { stitchesPerMm: 0.5, stitchesPerMinute: 10, alignMinutes: 2, threadStartMinutes: 3 };
  const changed = of({ ...figures, usableNeedlefulMm: 60 });
  // A seam of so many mm at half a stitch each, ten in a minute; two minutes to lay it, three to thread.
  expect(changed.plan.joinMinutes).toBeCloseTo((lengthMm * 0.5) / 10 + 2 + 3, 9);
  expect(changed.thread.stitches).toBe(Math.ceil(lengthMm * 0.5));
  expect(changed.sewing).toMatchObject({ ...figures, bendMinutes: 1 });
  expect(changed.plan.joinMinutes).not.toBeCloseTo(plain.plan.joinMinutes, 3);
});

test('a bend that costs more makes a block with bends dearer by just that; a heavier hand slows by its share', () => {
  const many = cutGrid(4, 4, [0, 3, 5, 6, 9, 10, 12, 15]);
  const [cheap, dear] = [of({ bendMinutes: 1 }, many), of({ bendMinutes: 4 }, many)];
  const bends = dear.plan.bends;
  expect(dear.plan.joinMinutes - cheap.plan.joinMinutes).toBeGreaterThanOrEqual(3 * bends - 1e-9);
  const [light, heavy] = [of({ lightPapers: 500 }, many), of({ lightPapers: 1, heavyShare: 0.1 }, many)];
  expect(heavy.plan.joinMinutes).toBeGreaterThan(light.plan.joinMinutes * 1.1);
});
