import { expect, test } from 'vitest';
import { boltPlan } from '../cutting';
import { itemAt } from '../lists';
import { MARGIN_MM, lineHeightMm, linesOf, orderSheets, PAGE_MM, type Ink, type OrderSheets } from '.';

const line = (thing: string) => ({ thing, needed: '1 m', stock: '', buy: '1.00 m', cost: '', supplier: '' });
const bolt = (total: number) => {
  const sizes = [{ what: '', widthMm: 100, lengthMm: 200, total }];
  return { fabric: 'Fog', sizes, pieces: [], usableMm: 1000, plan: boltPlan(sizes, 1000, false) };
};
const sheets = (more: Partial<OrderSheets>): OrderSheets => ({ title: 'The order', says: 'Today', lines: [line('Fog')], total: '12.00', currency: '', bolts: [], ...more }); // prettier-ignore
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

test('nothing is cut off or runs off the page: long names take lines of their own, what is said of a bolt too', () => {
  const long = (i: number) => ({ ...line(`${i}: 2 1/16″ × 2 3/16″ × 3″ triangle (marked: stripe), as many as lie in all bags`), supplier: 'Wherry Notions and Papers' }); // prettier-ignore
  const piece = { widthMm: 300, lengthMm: 200 };
  const many = { ...bolt(300), pieces: [piece, piece, piece] as never };
  const lines = Array.from({ length: 60 }, (_, i) => long(i));
  const { pages } = orderSheets(sheets({ lines, bolts: [many] }), 'inch', 'A4');
  const paragraphs = pages.map(({ ink }) => ink.flatMap((one) => (one.kind === 'paragraph' ? [one] : [])));
  expect(paragraphs.flat()).toHaveLength(61);
  for (const page of paragraphs)
    page.forEach(({ at, text, sizeMm, widthMm, heightMm }, i) => {
      expect(linesOf(text, sizeMm, widthMm).length).toBeGreaterThan(1);
      expect(linesOf(text, sizeMm, widthMm).length * lineHeightMm(sizeMm)).toBeLessThanOrEqual(heightMm);
      expect(at.x + widthMm).toBeLessThanOrEqual(PAGE_MM.A4[0] - MARGIN_MM);
      expect(at.y + heightMm).toBeLessThanOrEqual((page[i + 1]?.at.y ?? PAGE_MM.A4[1] - MARGIN_MM) + 1e-6);
    });
  const cut = itemAt(pages, pages.length - 1);
  const said = itemAt(itemAt(paragraphs, pages.length - 1), 0);
  const top = Math.min(...cut.ink.flatMap((one) => (one.kind === 'line' ? [one.from.y] : [])));
  expect(top).toBeGreaterThanOrEqual(said.at.y + said.heightMm);
  for (const { ink } of pages)
    for (const one of ink)
      if (one.kind === 'text' && one.align === 'left')
        expect(linesOf(one.text, one.sizeMm, PAGE_MM.A4[0] - MARGIN_MM - one.at.x)).toHaveLength(1);
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
  // How many of what size stands in the middle of the pieces.
  const { ink } = itemAt(long!, 1);
  const drawn = ink.flatMap((one) => (one.kind === 'outline' ? one.outline.corners : []));
  const says = ink.find((one) => one.kind === 'text' && / of .* × /.test(one.text));
  const mid = (of: 'x' | 'y') =>
    (Math.min(...drawn.map((at) => at[of])) + Math.max(...drawn.map((at) => at[of]))) / 2;
  expect(says).toMatchObject({ align: 'centre', at: { x: expect.closeTo(mid('x')) as number } });
  expect(says?.kind === 'text' && Math.abs(says.at.y - mid('y'))).toBeLessThan(1);
});
