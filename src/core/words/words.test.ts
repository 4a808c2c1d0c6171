import { expect, test } from 'vitest';
import { formatMinutes, inDays, counted, firstSentence, times } from '.';

test('one is one, none and many are many, whatever their plural', () => {
  expect([0, 1, 2].map((number) => counted(number, 'paper'))).toEqual(['0 papers', '1 paper', '2 papers']);
  expect([1, 3].map((number) => counted(number, 'patch', 'patches'))).toEqual(['1 patch', '3 patches']);
  expect(counted(1.5, 'metre')).toBe('1.5 metres');
});

test('days and minutes as they are said', () => {
  expect([0, 1, 3, -1, -8].map(inDays)).toEqual([
    'today',
    'in 1 day',
    'in 3 days',
    '1 day ago',
    '8 days ago',
  ]);
  expect([0.2, 59.4, 60, 83, 118].map(formatMinutes)).toEqual([
    '1 min',
    '59 min',
    '1 h',
    '1 h 25 min',
    '2 h',
  ]);
});

test.each([
  ['Sew it. Then press.', 'Sew it.'],
  ['Baste 6 × kite, 76.5° and 38°. Fold.', 'Baste 6 × kite, 76.5° and 38°.'],
  ['Is it flat? Press it.', 'Is it flat?'],
  ['No end here', 'No end here'],
  ['Ends with itself.', 'Ends with itself.'],
  ['In Éclat no. 5. Éclair next.', 'In Éclat no. 5.'],
  ['', ''],
])('the first sentence of “%s”', (text, first) => {
  expect(firstSentence(text)).toBe(first);
});

test.each([
  [6, '1″ hexagon', '6 × 1″ hexagon'],
  [14, '1″ × 2½″ rectangle', '14 of 1″ × 2½″ rectangle'],
  [2, '½″ × 1″ slanted strip, 45°', '2 of ½″ × 1″ slanted strip, 45°'],
  [3, '2.5 cm × 5 cm rectangle', '3 of 2.5 cm × 5 cm rectangle'],
  [9, 'Calico, 2¾″ × 2¾″', '9 × Calico, 2¾″ × 2¾″'],
  [1, '1″ square, for a strip 1″ × 9″', '1 × 1″ square, for a strip 1″ × 9″'],
])('a number stands apart from measures that are multiplied: %i, %s', (count, name, says) => {
  expect(times(count, name)).toBe(says);
});
