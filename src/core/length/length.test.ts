import fc from 'fast-check';
import { expect, test } from 'vitest';
import {
  UNIT_DEFAULTS,
  formatAngle,
  formatArea,
  formatLength,
  formatThread,
  parseLength,
  roundUpToGrid,
} from '.';

test.each([
  ['1 3/4"', 44.45], ['1¾ in', 44.45], ['1.75in', 44.45], ['45mm', 45], ['4.5 cm', 45], ['11/4 in', 69.85],
  ['¼″', 6.35], ['6,35mm', 6.35], ['3/8"', 9.525],
])('reads %s', (text, millimetres) => {
  expect(parseLength(text)).toBeCloseTo(millimetres, 9);
}); // prettier-ignore

test.each(['', 'mm', '-3mm', '0mm', '1/0 in', '3 ells', 'NaN', '1e3mm', '1 1 1/2in'])('refuses “%s” and says how to write it', (text) => {
  expect(() => parseLength(text)).toThrow(expect.objectContaining({ code: 'length', mend: expect.stringContaining('1/4"') }));
}); // prettier-ignore

test('prints inches as proper fractions and metric to half a millimetre', () => {
  expect([25.4, 38.1, 6.35, 44.45, 55.5625, 0].map((mm) => formatLength(mm, 'inch'))).toEqual(['1″', '1½″', '¼″', '1¾″', '2 3/16″', '0″']);
  expect(formatLength(25.4, 'metric')).toBe('25.5 mm');
}); // prettier-ignore

test('what is printed in inches reads back within 1/32″', () => {
  fc.assert(
    fc.property(fc.integer({ min: 20, max: 40_000 }), (hundredths) => {
      const millimetres = hundredths / 10;
      expect(Math.abs(parseLength(formatLength(millimetres, 'inch')) - millimetres)).toBeLessThanOrEqual(
        25.4 / 32 + 1e-9,
      );
    }),
  );
});

test('rounds up to the cutting grid and leaves lengths on it alone', () => {
  expect(roundUpToGrid(25.4 * 2.125, 'inch')).toBeCloseTo(25.4 * 2.125, 9);
  expect(roundUpToGrid(25.4 * 2.126, 'inch')).toBeCloseTo(25.4 * 2.25, 9);
  expect([roundUpToGrid(45, 'metric'), roundUpToGrid(45.2, 'metric')]).toEqual([45, 50]);
});

test('angles are printed to a tenth, a hair below a half as the half; areas in the unit of the project', () => {
  expect([90, 59.94, 59.95, 59.9499999999, 0.05].map(formatAngle)).toEqual(['90°', '59.9°', '60°', '60°', '0.1°']);
  expect(formatArea(645.16, 'inch')).toBe('1.00 sq in');
  expect(formatArea(1676.2, 'inch')).toBe('2.60 sq in');
  expect(formatArea(1676.2, 'metric')).toBe('16.8 cm²');
}); // prettier-ignore

test('each system begins with its own round figures: a quarter of an inch, or seven millimetres', () => {
  expect(UNIT_DEFAULTS).toMatchObject({
    inch: { stepMm: 25.4, allowanceMm: 6.35, pageSize: 'Letter' },
    metric: { stepMm: 25, allowanceMm: 7, pageSize: 'A4' },
  });
});

test('thread is laid ready in yards or metres, rather more than less', () => {
  expect([formatThread(9.144, 'inch'), formatThread(9.15, 'inch'), formatThread(9.05, 'inch')]).toEqual(['10 yd', '11 yd', '9.9 yd']);
  expect([formatThread(13.2, 'metric'), formatThread(2.31, 'metric'), formatThread(0.02, 'metric')]).toEqual(['14 m', '2.4 m', '0.1 m']);
}); // prettier-ignore
