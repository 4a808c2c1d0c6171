import { expect, test } from 'vitest';
import { patch } from '../testing';
import { WEAVE_COUNT, isColour, lookByNumber, lookOfColour, looksOfNew, nameCloths, nameOfColour, weaveOf } from '.'; // prettier-ignore

const square = (id: number, fabric: string) => ({ ...patch(id, [[0, 0], [9, 0], [9, 9], [0, 9]]), fabric }); // prettier-ignore

test('cloths that a drawing calls by a number get a word, told apart from those that are there', () => {
  const drawn = ['#1f2e4f', '#f2e8cf', '#f1e6cc', 'Woad', '#1f2e4f'].map((fabric, i) => square(i, fabric));
  const { patches, colours } = nameCloths(drawn, { Navy: '#222222' });
  expect(patches.map(({ fabric }) => fabric)).toEqual(['navy 2', 'cream', 'cream 2', 'Woad', 'navy 2']);
  expect(colours).toEqual({ 'navy 2': '#1f2e4f', cream: '#f2e8cf', 'cream 2': '#f1e6cc' });
  expect(nameCloths(drawn, { Night: '#1f2e4f' }).patches[0]?.fabric).toBe('Night');
  expect(nameCloths([square(0, 'Woad')]).patches[0]?.fabric).toBe('Woad');
});

test.each([
  ['#000', 'black'],
  ['#ff0000', 'red'],
  ['#0a7d3c', 'green'],
  ['rgb(255, 255, 254)', 'white'],
  ['#26333d', 'charcoal'],
])('%s is called %s', (colour, name) => {
  expect(isColour(colour)).toBe(true);
  expect(nameOfColour(colour)).toBe(name);
});

test('a look takes the colour it is given and a figure that stands out from it; others go by number', () => {
  expect(lookOfColour('#000', 3)).toEqual({ ground: '#000000', figure: '#737373', weave: 3 });
  expect(lookOfColour('#ffffff', 14)).toEqual({ ground: '#ffffff', figure: '#8c8c8c', weave: 2 });
  expect(lookByNumber(1)).not.toEqual(lookByNumber(0));
  expect(isColour('navy')).toBe(false);
});

test('new cloths are numbered after those that are there, each once, and take the colour that a drawing tells', () => {
  const looks = looksOfNew(['Woad', 'Fog'], ['Fog', 'Rope', 'navy', 'Rope'], { navy: '#1f2e4f' });
  expect(looks).toEqual({ Rope: lookByNumber(2), navy: lookOfColour('#1f2e4f', 3) });
});

test('every weave has a figure of its own', () => {
  const figures = Array.from({ length: WEAVE_COUNT }, (_, weave) => JSON.stringify(weaveOf({ weave })));
  expect(new Set(figures).size).toBe(WEAVE_COUNT);
  expect(figures).not.toContain('[]');
  expect(weaveOf({ weave: WEAVE_COUNT })).toEqual(weaveOf({ weave: 0 }));
});
