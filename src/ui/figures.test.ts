import fc from 'fast-check';
import { expect, test } from 'vitest';
import { InvalidInputError } from '@/core/errors';
import {
  attempt,
  printFigure,
  printFigures,
  readFigure,
  readFigures,
  type Figure,
  type FigureType,
} from './figures';

test.each<[FigureType, string, unknown, unknown]>([
  ['length', '1 1/2', 38.1, 1.5],
  ['length or none', '0', 0, 0],
  ['lengths', '10 mm; 2 cm', [10, 20], [10, 20]],
  ['angle', '67.5°', 67.5, 67.5],
  ['angles', '60, 120°', [60, 120], [60, 120]],
  ['count', ' 12 ', 12, 12],
  ['number', '2,5', 2.5, 2.5],
  ['minutes', '0.75', 0.75, 0.75],
  ['share', '2.5 %', 0.025, 0.025],
  ['per length', '10', 10 / 25.4, 1],
  ['length per minute', '2', 50.8, 20],
  ['choice', 'flat', 'flat', 'flat'],
])('%s “%s” is read, in inches and in centimetres', (type, text, inch, metric) => {
  expect(readFigure(text, type, 'inch')).toEqual(inch);
  expect(readFigure(text, type, 'metric')).toEqual(metric);
});

test.each<[FigureType, string]>([
  ['length', ''],
  ['length or none', '-1'],
  ['lengths', '10, wide'],
  ['angle', 'sharp'],
  ['count', '2.5'],
  ['count', '12345'],
  ['number', '1e3'],
  ['share', '%'],
  ['minutes', '-1'],
])('%s “%s” is refused with how to write it', (type, text) => {
  expect(() => readFigure(text, type, 'metric')).toThrow(InvalidInputError);
  const fields: Figure[] = [{ name: 'x', label: 'Some figure', type }];
  expect(readFigures(fields, { x: text }, 'metric').fault).toMatchObject({ where: 'x', what: expect.stringContaining('Some figure: '), mend: expect.stringMatching(/\.$/) });
}); // prettier-ignore

const NUMBERS: readonly FigureType[] = [
  'length',
  'share',
  'per length',
  'length per minute',
  'minutes',
  'number',
];
test('what is printed reads back as what filled the field, exactly; typed anew it is what was typed', () => {
  const field = fc.constantFrom(...NUMBERS);
  fc.assert(
    fc.property(field, fc.double({ min: 0.3, max: 900, noNaN: true }), fc.constantFrom('inch' as const, 'metric' as const), (type, value, system) => {
      const fields: Figure[] = [{ name: 'x', label: 'X', type }];
      const typed = printFigures(fields, { x: value }, system);
      expect(readFigures(fields, typed, system, { x: value }).figures).toEqual({ x: value });
      // Another value that prints otherwise is not taken for the one before.
      const other = printFigure(value * 1.5, type, system);
      if (other !== typed.x) expect(readFigures(fields, { x: other }, system, { x: value }).figures?.x).not.toBe(value);
    }),
  );
}); // prettier-ignore

test('the first fault is told; other errors are faults of Kevlo’s own and go on', () => {
  const fields: Figure[] = [
    { name: 'a', label: 'A', type: 'count' },
    { name: 'b', label: 'B', type: 'count' },
  ];
  expect(readFigures(fields, { a: 'x', b: 'y' }, 'inch').fault?.where).toBe('a');
  expect(readFigures(fields, { a: '1' }, 'inch').fault?.where).toBe('b');
  expect(attempt(() => 7)).toEqual({ value: 7 });
  expect(() => attempt(() => { throw new TypeError('own'); })).toThrow(TypeError);
}); // prettier-ignore
