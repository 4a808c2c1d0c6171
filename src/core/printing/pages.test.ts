import { expect, test } from 'vitest';
import { innerBags } from '../bags';
import { makePaper } from '../catalogue';
import { lookByNumber } from '../cloth';
import { boltPlan } from '../cutting';
import { defaultRecipe, documentOfRecipe, type RecipeKind } from '../generate';
import { fingerprint, plannedSheet } from '../testing';
import { USUAL_LABELS, bagCards, labelSheets, numberStickers, orderSheets, papersJob, printJob, stepCards, type PrintJob, type PrintWish } from '.'; // prettier-ignore

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 10, system: 'inch' } as const;
const documentOf = (kind: RecipeKind) => documentOfRecipe(defaultRecipe(kind));
const sheetOf = (kind: RecipeKind) => plannedSheet(documentOf(kind).patches, SETTINGS);
const code = { cells: 21, dark: Array.from({ length: 441 }, (_, i) => i % 3 === 0) };
const printed = (kind: RecipeKind, what: PrintWish['what'], more: Partial<PrintWish> = {}) =>
  printJob(kind, documentOf(kind), [], { what, size: 'A4', system: 'inch', allowanceMm: 6.35, sparesPercent: 10, gapMm: 2, hasHole: true, kind: 0, ...more }); // prettier-ignore
const sizes = [
  { what: 'square, Star', widthMm: 100, lengthMm: 180, total: 9 },
  { what: '', widthMm: 31, lengthMm: 62, total: 31 },
  { what: 'strip', widthMm: 20, lengthMm: 300, total: 4 },
];
const line = (thing: string, supplier: string) => ({ thing, needed: '1.5 yd', stock: '0.25 yd', buy: '1.25 yd', cost: '4.50', supplier }); // prettier-ignore

const JOBS: Readonly<Record<string, () => PrintJob>> = {
  'step cards of a grid': () => stepCards('Grid', sheetOf('grid'), 'A4'),
  'step cards of clamshells': () => stepCards('Shells', sheetOf('clamshell'), 'Letter'),
  'step cards of beams': () => stepCards('Beams', sheetOf('beams'), 'A4'),
  'stickers with numbers': () => numberStickers('Beams', sheetOf('beams'), 'Letter'),
  'a bag’s card': () => {
    const sheet = sheetOf('beams');
    const looks = Object.fromEntries(sheet.bag.fabrics.map(({ fabric }, i) => [fabric, lookByNumber(i)]));
    const inner = innerBags(sheet);
    return bagCards('Cards', [{ name: 'Beams', bag: sheet.bag, sheet, saved: 'two hexagons', looks, inner, maker: { name: 'Ida', choice: '2 sets', page: code } }], 'inch', 'A4'); // prettier-ignore
  },
  'labels of bags': () => {
    const lines = [
      '8 × hexagon',
      '13 of 1″ × 2½″ triangle',
      'a long line that goes on and on over its label',
    ];
    return labelSheets('Labels', ['Star', 'A block with a long name'].map((block) => ({ block, maker: 'Ida', code: 'ABC-DEF', square: code, lines })), USUAL_LABELS, 3); // prettier-ignore
  },
  'the order and its bolts': () => {
    const bolts = [{ fabric: 'Fog', sizes, pieces: [], usableMm: 1070, plan: boltPlan(sizes, 1070, false) }];
    const lines = Array.from({ length: 50 }, (_, i) => line(`Thing ${i}`, i % 7 === 0 ? 'Cotton Yard' : ''));
    return orderSheets({ title: 'Order', says: 'Today', lines, total: '12.00', currency: 'EUR', bolts }, 'inch', 'A4'); // prettier-ignore
  },
  papers: () => printed('grid', 'papers'),
  'papers that share cuts': () => printed('beams', 'papers', { gapMm: 0, hasHole: false, size: 'Letter' }),
  'a paper larger than a page': () => papersJob([{ name: 'clamshell', outline: makePaper({ family: 'clamshell', widthMm: 330 }), count: 1, hand: 'L' }], { title: 'Large', size: 'A4' }), // prettier-ignore
  'a window': () => printed('grid', 'window'),
  'a guide to the middle': () => printed('rosette', 'centring', { system: 'metric' }),
  'the angles of a plate': () => printed('plate', 'plate'),
  'rows of clamshells': () => printed('clamshell', 'clamshell', { size: 'Letter' }),
};

/*
 * What lies where on every page. Where one of these fails, look at the page as it is printed; if it is as it should be, take its
 * letters over.
 */
test.each([
  ['step cards of a grid', '00ffabf1'],
  ['step cards of clamshells', 'ffa10875'],
  ['step cards of beams', 'cf553c44'],
  ['stickers with numbers', '8cbcacd3'],
  ['a bag’s card', '37c1055e'],
  ['labels of bags', '16a5dc0d'],
  ['the order and its bolts', 'e9d4682a'],
  ['papers', '4f0078fd'],
  ['papers that share cuts', '36184f39'],
  ['a paper larger than a page', 'c03c425c'],
  ['a window', '5d79ed15'],
  ['a guide to the middle', '38d43f1c'],
  ['the angles of a plate', '3cf7b986'],
  ['rows of clamshells', 'a84eefd2'],
] as const)('pages: %s', (name, told) => {
  const job = JOBS[name]!();
  expect(job.pages.length).toBeGreaterThan(0);
  expect(fingerprint(job)).toBe(told);
});
