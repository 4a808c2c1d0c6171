import { expect, test } from 'vitest';
import { counted, firstSentence } from '.';

test('one is one, none and many are many, whatever their plural', () => {
  expect([0, 1, 2].map((number) => counted(number, 'paper'))).toEqual(['0 papers', '1 paper', '2 papers']);
  expect([1, 3].map((number) => counted(number, 'patch', 'patches'))).toEqual(['1 patch', '3 patches']);
  expect(counted(1.5, 'metre')).toBe('1.5 metres');
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
