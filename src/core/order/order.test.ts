import fc from 'fast-check';
import { expect, test } from 'vitest';
import { USUAL_CLOTH } from '../cloth';
import { orderCsv } from '../formats';
import {
  USUAL_ORDER,
  addWorn,
  changedSince,
  cheapestPacks,
  costOf,
  linesToPlace,
  marginOf,
  onTheWay,
  oneMaker,
  orderCalls,
  orderOf,
  paperSizes,
  priceOf,
  sayToBuy,
  sayWorn,
  topCuts,
  wornThere,
  type Order,
  type OrderPlan,
  type OrderWanted,
  type OrderedBlock,
  type PlacedOrder,
} from '.';

const shelf = [
  { ...USUAL_CLOTH, name: 'Fog', widthMm: 1000, selvedgeMm: 0, pricePerMetre: 10, stockMm: 300 },
];
const block = (id: string, bags: number, left = bags, fabric = 'Fog'): OrderedBlock =>
  ({ id, block: id, bags, left, packedAt: Array(bags - left).fill(1000), threadMetres: 21, edgeMetres: 3, contents: { extras: [], papers: [{ name: 'hexagon', count: 30, spares: 3 }], fabrics: [{ fabric, cuts: [{ widthMm: 100, lengthMm: 100, count: 30 }] }] } }) as unknown as OrderedBlock; // prettier-ignore
const PLAN: OrderPlan = {
  ...USUAL_ORDER,
  figures: { ...USUAL_ORDER.figures, packPrice: 5, spoolPrice: 4 },
  notions: [
    { what: 'Needles', amount: 2, per: 'maker', unit: 'needles', pack: 5, price: 2 },
    { what: 'Glue', amount: 0.5, per: 'metre', unit: 'ml', pack: 10, price: 3 },
  ],
};
const wanted = (blocks: readonly OrderedBlock[], makers: number, more: Partial<OrderWanted> = {}): OrderWanted => ({ blocks, makers, shelf, plan: PLAN, system: 'metric', ...more }); // prettier-ignore
const lineOf = (order: Order, thing: string) => order.lines.find((line) => line.thing === thing);

test('usually each maker has two needles, and a metre of edge takes a tenth of a millilitre of glue', () => {
  expect(
    USUAL_ORDER.notions.map(({ what, amount, per, unit, pack }) => [what, amount, per, unit, pack]),
  ).toEqual([
    ['Needles', 2, 'maker', 'needles', 20],
    ['Water-soluble glue', 0.1, 'metre', 'ml', 10],
  ]);
});

test('an order by hand: whole packs and spools, cloth as it is sold, stock first, notions by maker and by metre', () => {
  const order = orderOf(wanted([block('A', 4), block('B', 2)], 4));
  // 6 × 30 squares, ten to a strip: 1.8 m, 0.3 m of it in stock. 6 × 33 papers: two packs. 126 m of thread: one spool.
  expect(lineOf(order, 'Fog')).toMatchObject({ key: 'cloth:Fog', needed: 1800, left: 1800, stock: 300, sizes: [{ pack: 100, price: 1 }], packs: 15, cost: 15 });
  expect(lineOf(order, 'hexagon')).toMatchObject({ needed: 198, packs: 2 });
  expect(lineOf(order, 'sewing thread')).toMatchObject({ needed: 126, packs: 1 });
  // Two needles for four makers in packs of five; half a millilitre for each of 18 m of edge, in sticks of ten.
  expect(lineOf(order, 'Needles')).toMatchObject({ needed: 8, packs: 2 });
  expect(lineOf(order, 'Glue')).toMatchObject({ needed: 9, packs: 1 });
  expect(order.toPay).toEqual({ cloth: 15, papers: 10, thread: 4, notions: 7, all: 36 });
  // What is in stock was paid once as well.
  expect(order.worth).toEqual({ cloth: 18, papers: 10, thread: 4, notions: 7, all: 39 });
  // A fifth maker: 0.6 m of cloth, a third pack of papers and a second stick of glue (12 ml); ten needles are two packs still, 168 m one spool.
  expect(oneMaker(wanted([block('A', 4), block('B', 2)], 4))).toEqual({ more: 6 + 5 + 3, less: 6 + 0 });
}); // prettier-ignore

test('packed bags take nothing more; spare sets are made up beside the makers', () => {
  const half = orderOf(wanted([block('A', 4, 1)], 4));
  expect(lineOf(half, 'Fog')).toMatchObject({ needed: 1200, left: 300, packs: 0 });
  expect(lineOf(half, 'hexagon')).toMatchObject({ needed: 132, left: 33, packs: 1 });
  expect(half.bolts).toMatchObject([{ fabric: 'Fog', plan: { lengthMm: 300 } }]);
  const figures = { ...PLAN.figures, spareSets: 2 };
  const spare = orderOf(wanted([block('A', 4, 1)], 4, { plan: { ...PLAN, figures } }));
  expect([spare.sets, lineOf(spare, 'Fog')?.needed, lineOf(spare, 'Fog')?.left, lineOf(spare, 'Needles')?.needed]).toEqual([6, 1800, 900, 12]); // prettier-ignore
});

test('what bags took since it was counted is not there any more; what was packed before the count is counted already', () => {
  const stocked = (at: number) => ({ ...PLAN, stock: { 'papers:hexagon': 100, 'thread:sewing thread': 30 }, stockAt: { 'papers:hexagon': at, 'thread:sewing thread': at } }); // prettier-ignore
  const order = (at: number) => orderOf(wanted([block('A', 4, 3)], 4, { plan: stocked(at), shelf: [{ ...shelf[0]!, stockMm: 900, stockAt: at }] })); // prettier-ignore
  // One bag was packed at 1000: 33 papers, 21 m of thread, three strips of 10 cm.
  expect(['hexagon', 'sewing thread', 'Fog'].map((thing) => lineOf(order(999), thing)?.stock)).toEqual([67, 9, 600]); // prettier-ignore
  expect(['hexagon', 'sewing thread', 'Fog'].map((thing) => lineOf(order(1000), thing)?.stock)).toEqual([100, 30, 900]); // prettier-ignore
  expect(lineOf(order(999), 'Fog')).toMatchObject({ left: 900, packs: 3 });
});

test('bags of makers who chose otherwise take no spare set and no maker more; a given cut lies in them once for each set, and a top is made of each', () => {
  const two = { ...block('A (2 sets)', 1), id: 'A', isOwn: true as const, givenCuts: 2 };
  const other = { ...block('A (cut with 12 mm)', 1), id: 'A', isOwn: true as const, givenCuts: 0 };
  const cut = { blockId: 'A', fabric: 'Fog', name: 'fat quarter', widthMm: 500, lengthMm: 500 };
  const plan = { ...PLAN, givenCuts: [cut], figures: { ...PLAN.figures, spareSets: 1 } };
  const all = wanted([block('A', 4), two, other], 6, { tops: 7, plan, top: [{ what: 'strip', widthMm: 100, lengthMm: 1000, count: 1, fabric: 'Fog' } as never] });
  const order = orderOf(all);
  const total = (widthMm: number, lengthMm: number) => order.bolts[0]?.sizes.filter((size) => size.widthMm === widthMm && size.lengthMm === lengthMm).reduce((sum, size) => sum + size.total, 0);
  // Four and one spare, and two for the sets; pieces for the one with another cut; tops for seven and one spare.
  expect([total(500, 500), total(100, 100), total(100, 1000)]).toEqual([7, 30, 8]);
  expect(lineOf(order, 'Needles')?.needed).toBe(14);
  const papers = (makers: number) => lineOf(orderOf({ ...all, makers, tops: makers + 1, blocks: [block('A', makers - 2), two, other] }), 'hexagon')?.needed ?? 0;
  expect(papers(7) - papers(6)).toBe(33);
  const one = { ...all, plan: { ...plan, figures: { ...plan.figures, papersInPack: 1 } } };
  expect(oneMaker(one).more).toBeCloseTo(orderOf({ ...one, makers: 7, tops: 8, blocks: [block('A', 5), two, other] }).worth.all - orderOf(one).worth.all, 9);
}); // prettier-ignore

test('pieces on the shelf are cut before the bolt: what they save is there already, and what packed bags took of them is not', () => {
  const pieces = [{ widthMm: 500, lengthMm: 250 }];
  const order = (left: number) => orderOf(wanted([block('A', 4, left)], 4, { shelf: [{ ...shelf[0]!, stockMm: 0, pieces, stockAt: 999 }] }));
  // 120 squares, ten to a strip: 1.2 m; the piece gives ten of them, a strip less.
  expect(lineOf(order(4), 'Fog')).toMatchObject({ needed: 1200, left: 1200, stock: 100, packs: 11 });
  expect(order(4).bolts[0]).toMatchObject({ pieces: [{ widthMm: 500, counts: [10] }], plan: { lengthMm: 1100 } });
  // One bag was packed since it was counted: its thirty squares took the piece.
  expect(lineOf(order(3), 'Fog')).toMatchObject({ left: 900, stock: 0, packs: 9 });
}); // prettier-ignore

test('a bag that is given a piece whole takes that from the bolt, not its pieces', () => {
  const cut = { blockId: 'A', fabric: 'Fog', name: 'fat quarter', widthMm: 500, lengthMm: 500 };
  const order = orderOf(wanted([block('A', 4), block('B', 2)], 4, { plan: { ...PLAN, givenCuts: [cut] } }));
  // Four of them two by two, 1 m; and 60 squares, 0.6 m.
  expect(lineOf(order, 'Fog')?.needed).toBe(1600);
  expect(order.bolts[0]?.sizes.map(({ total }) => total).sort()).toEqual([4, 60]);
});

test('what the top takes is ordered for each maker, of its own cloth or with the bags', () => {
  const cut = (fabric: string) => ({ fabric, widthMm: 100, lengthMm: 400, count: 5 });
  const [bags, all] = [[], [cut('Fog'), cut('Tar')]].map((top) => orderOf(wanted([block('A', 4)], 4, { top })));
  // Twenty strips, ten of which lie along 40 cm of the metre that it is wide.
  expect([lineOf(all!, 'Fog')?.needed, lineOf(all!, 'Tar')?.needed]).toEqual([(lineOf(bags!, 'Fog')?.needed ?? 0) + 800, 800]);
  expect(all!.topCost).toBeCloseTo(2, 9);
}); // prettier-ignore

test('an order that is on its way is not ordered again; what changed since is told; what came is stock', () => {
  const placed = (now: Order, arrivedAt: string | null = null): PlacedOrder => ({ id: 'o', name: 'First', placedAt: '2026-03-01T09:00:00Z', arrivedAt, lines: linesToPlace(now, { 'cloth:Fog': 'Mill' }) });
  const before = [block('A', 4), block('B', 2)];
  const order = placed(orderOf(wanted(before, 4)));
  expect(order.lines.find(({ thing }) => thing === 'Fog')).toEqual({ key: 'cloth:Fog', group: 'cloth', thing: 'Fog', unit: 'mm', pack: 100, packs: 15, price: 1, supplier: 'Mill' });
  const ordered = onTheWay([order]);
  expect(ordered).toMatchObject({ 'cloth:Fog': 1500, 'papers:hexagon': 200 });
  const after = orderOf(wanted(before, 4, { ordered }));
  expect(after.lines.map(({ packs, over }) => [packs, over])).toEqual(after.lines.map(() => [0, 0]));
  expect(changedSince(order, after)).toEqual([]);
  // One bag of B falls away: 30 squares, three strips.
  const fewer = orderOf(wanted([block('A', 4), block('B', 1)], 4, { ordered }));
  expect(lineOf(fewer, 'Fog')).toMatchObject({ packs: 0, over: 3 });
  expect(changedSince(order, fewer).map(({ line, now }) => [line.thing, line.packs, now])).toEqual([['Fog', 15, 12]]);
  // Two bags more: what is missing is bought beside it.
  const more = orderOf(wanted([block('A', 6), block('B', 2)], 4, { ordered }));
  expect([lineOf(more, 'Fog')?.packs, lineOf(more, 'hexagon')?.packs]).toEqual([6, 1]);
  expect(onTheWay([placed(orderOf(wanted(before, 4)), '2026-03-09T09:00:00Z')])).toEqual({});
}); // prettier-ignore

test('a price leaves its margin, and a margin is told from its price, whatever the tax', () => {
  const figures = PLAN.figures;
  expect(priceOf(60, { ...figures, marginPercent: 40, taxPercent: 20 })).toEqual({ net: 100, tax: 20, gross: 120 }); // prettier-ignore
  expect(marginOf(60, 120, { ...figures, taxPercent: 20 })).toBeCloseTo(40, 9);
  expect(marginOf(60, 48, { ...figures, taxPercent: 0 })).toBe(-25);
  expect(marginOf(60, 0, figures)).toBe(0);
});

test('what is bought covers what the bags take; shares of bags, tops and notions are the whole cost; a maker more never costs less than nothing', () => {
  const counts = fc.array(fc.tuple(fc.integer({ min: 0, max: 30 }), fc.nat(30), fc.constantFrom('Fog', 'Tar')), { minLength: 1, maxLength: 5 });
  const packs = fc.array(fc.record({ pack: fc.integer({ min: 1, max: 300 }), price: fc.integer({ min: 0, max: 20 }) }), { maxLength: 2 });
  const top = [{ fabric: 'Tar', widthMm: 70, lengthMm: 300, count: 4 }];
  const priced = [...shelf, { ...USUAL_CLOTH, name: 'Tar', pricePerMetre: 7 }];
  fc.assert(
    fc.property(counts, fc.nat(3), packs, (list, spareSets, paperPacks) => {
      const blocks = list.map(([bags, left, fabric], index) => block(`B${index}`, bags, Math.min(bags, left), fabric));
      const makers = Math.max(...list.map(([bags]) => bags));
      const asked = wanted(blocks, makers, { shelf: priced, top, plan: { ...PLAN, figures: { ...PLAN.figures, spareSets }, paperPacks } });
      const order = orderOf(asked);
      for (const { buy, stock, left, needed } of order.lines) {
        expect(buy.reduce((sum, { packs, pack }) => sum + packs * pack, stock)).toBeGreaterThanOrEqual(left - 1e-6);
        expect(left).toBeLessThanOrEqual(needed + 1e-6);
      }
      const bags = order.bagCosts.reduce((sum, { each, bags: own }) => sum + each * own, 0);
      expect(bags + order.topCost * order.sets + order.worth.notions).toBeCloseTo(order.worth.all, 6);
      const { more, less } = oneMaker(asked);
      expect(Math.min(more, less)).toBeGreaterThanOrEqual(-1e-9);
    }),
  );
}); // prettier-ignore

test('an order calls for what is to be bought and what is too much on its way, line by line', () => {
  expect(orderCalls(wanted([block('A', 4)], 4))).toEqual({ toBuy: 5, tooMuch: 0 });
  const placed = onTheWay([{ id: '1', name: 'One', placedAt: '', arrivedAt: null, lines: linesToPlace(orderOf(wanted([block('A', 4)], 4)), {}) }]);
  expect(orderCalls(wanted([block('A', 4)], 4, { ordered: placed }))).toEqual({ toBuy: 0, tooMuch: 0 });
  // For one maker a cloth of 0.9 m less is wanted, and a pack of papers and one of needles less.
  expect(orderCalls(wanted([block('A', 1)], 1, { ordered: placed }))).toEqual({ toBuy: 0, tooMuch: 3 });
}); // prettier-ignore

test('papers in several packs: the cheapest whole packs are ordered, each size as a line of its own, and all of it is on its way', () => {
  const plan = { ...PLAN, paperPacks: [{ pack: 25, price: 1.5 }, { pack: 10, price: 1 }] };
  const now = wanted([block('A', 4)], 4, { plan });
  // 132 papers: a hundred for 5, a 25 for 1.50 and a ten for 1; two hundred would be 10.
  const order = orderOf(now);
  expect(lineOf(order, 'hexagon')).toMatchObject({ buy: [{ pack: 100, packs: 1 }, { pack: 25, packs: 1 }, { pack: 10, packs: 1 }], packs: 3, cost: 7.5 });
  expect(sayToBuy(lineOf(order, 'hexagon')!, 'metric')).toBe('1 × pack of 100 + 1 × pack of 25 + 1 × pack of 10');
  expect(order.toPay.papers).toBe(7.5);
  expect(orderCsv(order, {}, 'metric', '')).toContain('1 × 100 papers + 1 × 25 papers + 1 × 10 papers,5.00 + 1.50 + 1.00,7.50,');
  const placed = { id: '1', name: 'One', placedAt: '', arrivedAt: null, lines: linesToPlace(order, {}) };
  expect(placed.lines.filter(({ key }) => key === 'papers:hexagon').map(({ pack }) => pack)).toEqual([100, 25, 10]);
  const after = orderOf({ ...now, ordered: onTheWay([placed]) });
  expect([lineOf(after, 'hexagon')?.packs, changedSince(placed, after)]).toEqual([0, []]);
  // Two makers fewer: 66 of the 135 are enough; what is too much is said in the smallest packs.
  expect(lineOf(orderOf({ ...now, blocks: [block('A', 2)], ordered: onTheWay([placed]) }), 'hexagon')?.over).toBe(6);
  expect(paperSizes({ ...plan, paperPacks: [{ pack: 100, price: 3 }] })).toEqual([{ pack: 100, price: 3 }]);
}); // prettier-ignore

test('worn papers are counted by the uses that are left; bags take the most worn first, and new ones are never among them', () => {
  const worn = addWorn(addWorn([], 2, 30), 1, 12);
  expect([worn, addWorn(worn, 2, -30), addWorn(worn, 3, -5)]).toEqual([[12, 30], [12], [12, 30]]);
  expect([50, 42, 35, 20, 0].map((stock) => wornThere(worn, stock))).toEqual([[12, 30], [12, 30], [5, 30], [0, 20], [0, 0]]);
  expect([sayWorn(worn), sayWorn(addWorn([], 2, 1)), sayWorn([0, 0])]).toEqual(['12 for one more use, 30 for 2 more uses', '1 for 2 more uses', '']);
}); // prettier-ignore

test('the cheapest packs are those that trying every number of each finds; without prices the fewest papers', () => {
  const sizes = fc.array(fc.record({ pack: fc.integer({ min: 1, max: 30 }), price: fc.integer({ min: 0, max: 12 }).map((price) => price / 4) }), { minLength: 1, maxLength: 3 });
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 60 }), sizes, (amount, all) => {
      const known = all.some(({ price }) => price > 0) ? all.filter(({ price }) => price > 0) : all;
      const isPriced = all.some(({ price }) => price > 0);
      let best = [Infinity, Infinity, Infinity];
      const tryAll = (index: number, cost: number, held: number, packs: number): void => {
        if (held >= amount) {
          const next = [isPriced ? cost : held, held, packs];
          const at = next.findIndex((one, place) => one !== best[place]);
          if (at >= 0 && next[at]! < best[at]!) best = next;
          return;
        }
        known.slice(index).forEach((size, more) => tryAll(index + more, cost + size.price, held + size.pack, packs + 1));
      };
      tryAll(0, 0, 0, 0);
      const found = cheapestPacks(amount, all);
      const held = found.reduce((sum, { pack, packs }) => sum + pack * packs, 0);
      expect([isPriced ? costOf(found) : held, held, found.reduce((sum, { packs }) => sum + packs, 0)]).toEqual(best);
    }),
    { numRuns: 150 },
  );
  // A very large amount is bought in the packs that cost least a piece, and the rest exactly.
  const large = cheapestPacks(1_000_033, [{ pack: 100, price: 5 }, { pack: 25, price: 1.5 }]);
  expect([large, costOf(large)]).toEqual([[{ pack: 100, price: 5, packs: 10_000 }, { pack: 25, price: 1.5, packs: 2 }], 50_003]);
}); // prettier-ignore

test('shares of bags, tops and notions are the whole cost, whatever some makers chose for themselves; they are never cheaper than one set', () => {
  const counts = fc.array(fc.tuple(fc.integer({ min: 0, max: 12 }), fc.integer({ min: 1, max: 4 })), { minLength: 1, maxLength: 4 });
  fc.assert(
    fc.property(counts, fc.nat(3), (list, spareSets) => {
      const own = list.map(([bags, sets], index): OrderedBlock => {
        const usual = block(`B${index} (${sets})`, bags);
        const papers = usual.contents.papers.map((paper) => ({ ...paper, count: paper.count * sets, spares: paper.spares * sets }));
        const fabrics = usual.contents.fabrics.map(({ fabric, cuts }) => ({ fabric, cuts: cuts.map((cut) => ({ ...cut, count: cut.count * sets })) }));
        return { ...usual, isOwn: true, givenCuts: sets, contents: { ...usual.contents, papers, fabrics }, threadMetres: usual.threadMetres * sets };
      });
      const plan = { ...PLAN, figures: { ...PLAN.figures, spareSets } };
      const order = orderOf(wanted([block('A', 5), ...own], 5, { plan }));
      const bags = order.bagCosts.reduce((sum, { each, bags: count }) => sum + each * count, 0);
      expect(bags + order.topCost * order.sets + order.worth.notions).toBeCloseTo(order.worth.all, 6);
      expect(order.bagCosts.slice(1).map(({ bags: count }) => count)).toEqual(list.map(([count]) => count));
      const [usual, ...others] = order.bagCosts;
      others.forEach(({ each }, index) => {
        if (list[index]![0] > 0) expect(each).toBeCloseTo((usual?.each ?? 0) * list[index]![1], 6);
      });
    }),
    { numRuns: 40 },
  );
}); // prettier-ignore

test('the order as CSV: one row a thing in its unit; names that look like formulas are made harmless', () => {
  const named = [{ ...shelf[0]!, name: '=SUM(A1)' }];
  const order = orderOf(wanted([block('A', 1, 1, '=SUM(A1)')], 1, { shelf: named, plan: { ...PLAN, notions: [] } }));
  expect(orderCsv(order, { thread: '', 'papers:hexagon': '+Mill' }, 'metric', 'EUR').split('\r\n')).toEqual([
    'group,thing,unit,all bags,not packed yet,in stock,on its way,to buy,price of one,cost,supplier,currency',
    "cloth,'=SUM(A1),m,0.300,0.300,0.300,0.000,0 × 0.100 m,1.00,0.00,,EUR",
    "papers,hexagon,papers,33,33,0,0,1 × 100 papers,5.00,5.00,'+Mill,EUR",
    'thread,sewing thread,m,21,21,0,0,1 × 200 m,4.00,4.00,,EUR',
    '',
  ]);
  const inYards = orderCsv(order, { thread: '', 'papers:hexagon': '' }, 'inch', '');
  expect(inYards).toContain('thread,sewing thread,yd,22.97,22.97,0,0,1 × 218.72 yd,4.00,4.00,');
  expect(inYards).toContain('papers,hexagon,papers,33,33,0,0,1 × 100 papers');
}); // prettier-ignore

test('of a top those pieces are ordered whose cloth was chosen and is on the shelf still', () => {
  const piece = (name: string) => ({ name, widthMm: 80, lengthMm: 900, count: 2 });
  const top = { squares: [piece('square')], strips: [piece('sashing')], cornerstones: [], border: [piece('side'), piece('head')] };
  const cuts = topCuts(top as never, { topCloths: { border: 'Fog', strips: 'Slate' } }, shelf);
  expect(cuts).toEqual([{ ...piece('side'), fabric: 'Fog' }, { ...piece('head'), fabric: 'Fog' }]);
}); // prettier-ignore
