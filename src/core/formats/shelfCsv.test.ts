import fc from 'fast-check';
import { expect, test } from 'vitest';
import { SHELF_LIMITS, USUAL_CLOTH, type ShelfCloth } from '../cloth';
import { readShelfCsv, shelfCsv } from '.';

const fog = {
  ...USUAL_CLOTH,
  name: 'Fog',
  stockMm: 2000,
  pricePerMetre: 12,
  frays: true,
  pieces: [{ widthMm: 304.8, lengthMm: 1000 / 3 }],
};
const tar = { ...USUAL_CLOTH, name: '=Tar, "old"', turns: 'none' as const, repeatWidthMm: 60, repeatHeightMm: 80, isHalfDrop: true }; // prettier-ignore

test('a shelf written and read again is the same, whatever its names; what nothing said stays', () => {
  for (const system of ['metric', 'inch'] as const)
    expect(readShelfCsv(shelfCsv([fog, tar], system), [fog, tar], system)).toEqual({ changed: [], unknown: [], faults: [] }); // prettier-ignore
  expect(shelfCsv([tar], 'metric').split('\r\n')[1]).toMatch(/^"'=Tar, ""old"""/);
  const figure = (key: keyof typeof SHELF_LIMITS) => fc.integer({ min: Math.ceil(SHELF_LIMITS[key].least), max: Math.min(3000, SHELF_LIMITS[key].most) }); // prettier-ignore
  fc.assert(
    fc.property(figure('stockMm'), figure('pricePerMetre'), fc.constantFrom<ShelfCloth['turns']>('any', 'half', 'none'), (stockMm, pricePerMetre, turns) => {
      const other = { ...fog, stockMm, pricePerMetre, turns };
      const { changed, faults } = readShelfCsv(shelfCsv([other], 'metric'), [fog], 'metric');
      expect(faults).toEqual([]);
      expect(changed[0]?.after ?? fog).toEqual(other);
    }),
  ); // prettier-ignore
});

test('columns in another order, semicolons, commas for points, inches; cloths that are not there are named', () => {
  const text = '\uFEFFPrice, m;Cloth;Width;pieces lie\r\n12,50;Fog;44";one way\r\n;Lost;1;\r\n\r\n';
  const { changed, unknown, faults } = readShelfCsv(text, [fog], 'metric');
  expect(changed).toEqual([{ before: fog, after: { ...fog, pricePerMetre: 12.5, widthMm: 1117.6, turns: 'none' } }]); // prettier-ignore
  expect([unknown, faults]).toEqual([['Lost'], []]);
  expect(readShelfCsv('cloth,in stock\nFog,2', [fog], 'inch').changed[0]?.after.stockMm).toBeCloseTo(
    1828.8,
    6,
  );
});

test('pieces and fraying are read: more pieces, none, and what is no piece', () => {
  const read = (cell: string, frays = '') => readShelfCsv(`cloth;pieces mm;frays\nFog;"${cell}";${frays}`, [fog], 'metric');
  expect(read('300 × 500; 20 cm x 8 in', 'no').changed[0]?.after).toMatchObject({ frays: false, pieces: [{ widthMm: 300, lengthMm: 500 }, { widthMm: 200, lengthMm: 203.2 }] });
  expect(read('none').changed[0]?.after.pieces).toEqual([]);
  expect(read('').changed).toEqual([]);
  for (const wrong of ['300', '300 × 5 × 2', '10 × 500', '300 × 99999', 'a × b', Array(41).fill('30 × 30').join(';')])
    expect(read(wrong).faults).toMatchObject([{ row: 2, column: 'pieces mm' }]);
}); // prettier-ignore

test('what cannot be is told by row and column, and changes nothing', () => {
  const text = ['cloth,width,selvedge,pieces lie,repeat across,in stock,price', 'Fog,1000,600,,,,', 'Fog,,,sideways,,-3,=1+1', 'Fog,,,,50,,', 'Fog,,,,,5,'].join('\n'); // prettier-ignore
  const { changed, faults } = readShelfCsv(text, [fog], 'metric');
  expect(faults.map(({ row, column }) => [row, column])).toEqual([[2, 'selvedge mm'], [3, 'pieces lie'], [3, 'in stock'], [3, 'price'], [4, 'repeat along mm']]); // prettier-ignore
  expect(changed.map(({ after }) => after.stockMm)).toEqual([5000]);
});

test('a file that is no shelf is refused with what its first row should be', () => {
  for (const text of ['', 'name,price\nFog,3', '\0\0\0', 'a'.repeat(1_000_001), `cloth\n${'Fog\n'.repeat(2001)}`])
    expect(() => readShelfCsv(text, [fog], 'metric')).toThrow(expect.objectContaining({ code: 'csv' }) as Error); // prettier-ignore
});
