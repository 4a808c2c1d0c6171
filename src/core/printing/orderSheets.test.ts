import { expect, test } from 'vitest';
import { boltPlan } from '../cutting';
import { itemAt } from '../lists';
import { MARGIN_MM, orderSheets, PAGE_MM, type Ink, type OrderSheets } from '.';

const line = (thing: string) => ({ thing, needed: '1 m', stock: '', buy: '1.00 m', cost: '', supplier: '' });
const bolt = (total: number) => {
  const sizes = [{ what: '', widthMm: 100, lengthMm: 200, total }];
  return { fabric: 'Fog', sizes, pieces: [], usableMm: 1000, plan: boltPlan(sizes, 1000, false) };
};
const sheets = (more: Partial<OrderSheets>): OrderSheets => ({ title: 'The order', says: 'Today', lines: [line('Fog')], total: '12.00', bolts: [], ...more }); // prettier-ignore
const wordsOf = ({ ink }: { readonly ink: readonly Ink[] }) => ink.flatMap((one) => ('text' in one ? [one.text] : [])); // prettier-ignore
const outlines = ({ ink }: { readonly ink: readonly Ink[] }) => ink.filter(({ kind }) => kind === 'outline').length; // prettier-ignore

test('every line is on a page, within its margins; a long list goes on with its heading', () => {
  const names = Array.from({ length: 120 }, (_, i) => `Thing ${i}`);
  const { pages } = orderSheets(sheets({ lines: names.map(line) }), 'metric', 'A4');
  const words = pages.flatMap(wordsOf);
  expect(names.filter((name) => !words.includes(name))).toEqual([]);
  expect(pages.length).toBeGreaterThan(2);
  expect(pages.every((page) => wordsOf(page).includes('To buy'))).toBe(true);
  expect(words.at(-1)).toBe('12.00');
  for (const { ink } of pages)
    for (const one of ink)
      if ('at' in one) expect(one.at.y).toBeLessThanOrEqual(PAGE_MM.A4[1] - MARGIN_MM + 1e-6);
});

test('a bolt is drawn strip by strip where it goes on the page, strips alike once where it does not', () => {
  // Thirty pieces: three strips of ten. Three hundred: thirty strips, six metres.
  const [short, long] = [30, 300].map(
    (total) => orderSheets(sheets({ bolts: [bolt(total)] }), 'metric', 'A4').pages,
  );
  expect([short?.length, outlines(itemAt(short!, 1))]).toEqual([2, 30]);
  expect([long?.length, outlines(itemAt(long!, 1))]).toEqual([2, 10]);
  expect(wordsOf(itemAt(long!, 1))).toContain('30 × 200 mm');
  expect(wordsOf(itemAt(long!, 1)).join(' ')).toContain('Strips alike are drawn once.');
});
