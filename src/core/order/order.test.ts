import fc from 'fast-check';
import { expect, test } from 'vitest';
import { USUAL_CLOTH } from '../cloth';
import { orderCsv } from '../formats';
import { USUAL_ORDER, marginOf, oneMaker, orderOf, priceOf, type OrderedBlock } from '.';

const shelf = [
  { ...USUAL_CLOTH, name: 'Fog', widthMm: 1000, selvedgeMm: 0, pricePerMetre: 10, stockMm: 300 },
];
const block = (name: string, bags: number): OrderedBlock =>
  ({ block: name, bags, threadMetres: 21, contents: { papers: [{ name: 'hexagon', count: 30, spares: 3 }], fabrics: [{ fabric: 'Fog', cuts: [{ widthMm: 100, lengthMm: 100, count: 30 }] }] } }) as unknown as OrderedBlock; // prettier-ignore
const FIGURES = { ...USUAL_ORDER, packPrice: 5, spoolPrice: 4, notionsPrice: 2 };

test('an order by hand: whole packs and spools, cloth as it is sold, stock first, notions once a maker', () => {
  const order = orderOf([block('A', 4), block('B', 2)], 4, shelf, FIGURES, 'metric');
  // 6 × 30 squares, ten to a strip: 1.8 m, 0.3 m of it in stock. 6 × 33 papers: two packs. 126 m of thread: one spool.
  expect(order.cloth).toMatchObject([{ fabric: 'Fog', needMm: 1800, buyMm: 1500, cost: 15 }]);
  expect(order.papers).toEqual([{ what: 'hexagon', total: 198, packs: 2 }]);
  expect([order.threadMetres, order.spools]).toEqual([126, 1]);
  expect(order.cost).toEqual({ cloth: 15, papers: 10, thread: 4, notions: 8, all: 37 });
  // A fifth maker: 0.6 m of cloth, a fourth pack, a second spool and notions; one less saves cloth, a pack and notions, no spool.
  expect(oneMaker([block('A', 4), block('B', 4)], 4, shelf, FIGURES, 'metric')).toEqual({ more: 6 + 5 + 4 + 2, less: 6 + 5 + 2 }); // prettier-ignore
});

test('what the top takes is ordered for each maker, of its own cloth or with the bags', () => {
  const cut = (fabric: string) => ({ fabric, widthMm: 100, lengthMm: 400, count: 5 });
  const [bags, all] = [[], [cut('Fog'), cut('Tar')]].map((top) => orderOf([block('A', 4)], 4, shelf, FIGURES, 'metric', top));
  // Twenty strips, ten of which lie along 40 cm of the metre that it is wide.
  expect(all!.cloth.map(({ fabric, needMm }) => [fabric, needMm])).toEqual([['Fog', bags!.cloth[0]!.needMm + 800], ['Tar', 800]]);
  const steps = [[], [cut('Fog')]].map((top) => oneMaker([block('A', 4)], 4, shelf, FIGURES, 'metric', top).more);
  expect(steps[1]! - steps[0]!).toBeCloseTo(4, 9);
}); // prettier-ignore

test('a price leaves its margin, and a margin is told from its price, whatever the tax', () => {
  expect(priceOf(60, { ...FIGURES, marginPercent: 40, taxPercent: 20 })).toEqual({
    net: 100,
    tax: 20,
    gross: 120,
  });
  expect(marginOf(60, 120, { ...FIGURES, taxPercent: 20 })).toBeCloseTo(40, 9);
  expect(marginOf(60, 48, { ...FIGURES, taxPercent: 0 })).toBe(-25);
  expect(marginOf(60, 0, FIGURES)).toBe(0);
  const percent = fc.integer({ min: 0, max: 95 });
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 9999 }), percent, fc.integer({ min: 0, max: 50 }), (cost, marginPercent, taxPercent) => {
      const figures = { ...FIGURES, marginPercent, taxPercent };
      expect(marginOf(cost, priceOf(cost, figures).gross, figures)).toBeCloseTo(marginPercent, 6);
    }),
  ); // prettier-ignore
});

test('what is bought covers what all bags take; a maker more never costs less than nothing', () => {
  const counts = fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 1, maxLength: 5 });
  fc.assert(
    fc.property(counts, (list) => {
      const blocks = list.map((bags, index) => block(`B${index}`, bags));
      const order = orderOf(blocks, Math.max(...list), shelf, FIGURES, 'metric');
      for (const { total, packs } of order.papers)
        expect(packs * FIGURES.papersInPack).toBeGreaterThanOrEqual(total);
      for (const { needMm, buyMm } of order.cloth) expect(buyMm + 300).toBeGreaterThanOrEqual(needMm);
      expect(order.spools * FIGURES.spoolMetres).toBeGreaterThanOrEqual(order.threadMetres - 1e-6);
      const { more, less } = oneMaker(blocks, Math.max(...list), shelf, FIGURES, 'metric');
      expect(Math.min(more, less)).toBeGreaterThanOrEqual(0);
    }),
  );
});

test('the order as CSV: one row a thing in its unit; names that look like formulas are made harmless', () => {
  const named = [{ ...shelf[0]!, name: '=SUM(A1)' }];
  const order = orderOf([{ ...block('A', 1), contents: { papers: [{ name: '+hex', count: 30, spares: 3 }], fabrics: [{ fabric: '=SUM(A1)', cuts: [{ widthMm: 100, lengthMm: 100, count: 50 }] }] } } as unknown as OrderedBlock], 1, named, FIGURES, 'metric');
  expect(orderCsv(order, named, FIGURES, 'metric').split('\r\n')).toEqual([
    'group,thing,needed,in stock,to buy,unit,price of one,cost',
    "cloth,'=SUM(A1),0.500,0.300,0.200,m,10.00,2.00",
    "papers,'+hex,33,0,1,pack of 100,5.00,5.00",
    'thread,sewing thread,21.0 m,0,1,spool of 200 m,4.00,4.00',
    'notions,for each maker,1,0,1,set,2.00,2.00',
    '',
  ]);
}); // prettier-ignore
