import { pickList, type BagContents } from '../bags';
import { USUAL_CLOTH, clothSizes, soldBy, usableWidth, type ShelfCloth } from '../cloth';
import { boltPlan, fromPieces, type BoltPlan, type BoltSize, type CutPiece } from '../cutting';
import type { UnitSystem } from '../length';
import type { TopPiece } from '../setting';
import { cheapestPacks, costOf, type PackCount, type PackSize } from './packs';
import type { GivenCut, OrderPlan } from './plan';

/** A block with what one of its bags holds. */
export interface OrderedBlock {
  readonly id: string;
  readonly block: string;
  readonly contents: BagContents;
  /** Bags of makers who chose their own: spare sets and one maker more take none of these. */
  readonly isOwn?: true;
  /** How many of the cut that bags of this block are given lie in each; 1 where it is not said, 0 where its pieces are cut otherwise. */
  readonly givenCuts?: number;
  /** Bags of this block, one per maker; and those of them that are not packed yet. */
  readonly bags: number;
  readonly left: number;
  /** When each of the others was packed, ms since 1970. */
  readonly packedAt: readonly number[];
  /** Of thread that one maker sews it with, and of paper edges that are basted, m. */
  readonly threadMetres: number;
  readonly edgeMetres: number;
}

/** The shelf by the names of its cloths. */
export type NamedShelf = readonly (ShelfCloth & {
  readonly name: string;
  /** When its stock was counted, ms since 1970; as if just now where it is not said. */
  readonly stockAt?: number;
})[];

/** A piece that each maker's top takes beside the blocks, and of which cloth. */
export interface TopCut extends TopPiece {
  readonly fabric: string;
}

/** What an order is worked out from. */
export interface OrderWanted {
  readonly blocks: readonly OrderedBlock[];
  readonly makers: number;
  /** Tops that are made; as many as makers where it is not said. */
  readonly tops?: number;
  readonly shelf: NamedShelf;
  readonly plan: OrderPlan;
  readonly system: UnitSystem;
  /** What one maker's top takes beside the blocks: strips, cornerstones, border. */
  readonly top?: readonly TopCut[];
  /** What is ordered and has not come yet, by line. */
  readonly ordered?: Readonly<Record<string, number>>;
}

export type LineGroup = 'cloth' | 'papers' | 'thread' | 'notions';

/** One thing to buy. Amounts are in `unit`: mm of the bolt, papers, m of thread, or what a notion is counted in. */
export interface OrderLine {
  readonly key: string;
  readonly group: LineGroup;
  readonly thing: string;
  readonly unit: string;
  /** For all bags, spare sets included. */
  readonly needed: number;
  /** For those that are not packed yet. */
  readonly left: number;
  /** What is there: as it was counted, less what bags took since; of cloth also what pieces on the shelf save of the bolt. */
  readonly stock: number;
  /** On its way. */
  readonly ordered: number;
  /** How it is sold: packs, spools, tenths of a metre; the smallest first. */
  readonly sizes: readonly PackSize[];
  /** The cheapest packs still to buy, what they cost, and how many they are. */
  readonly buy: readonly PackCount[];
  readonly cost: number;
  readonly packs: number;
  /** Of the smallest size: packs on their way that nothing wants any more. */
  readonly over: number;
}

/** How one cloth is cut up for the bags that are not packed yet. */
export interface ClothBolt {
  readonly fabric: string;
  readonly sizes: readonly BoltSize[];
  readonly plan: BoltPlan;
  readonly usableMm: number;
  /** What is cut from pieces on the shelf before. */
  readonly pieces: readonly CutPiece[];
}

/** Money by group. */
export type Money = Readonly<Record<LineGroup, number>> & { readonly all: number };

/** What all bags of a project take, what has to be bought of it, and what that costs. */
export interface Order {
  readonly lines: readonly OrderLine[];
  readonly bolts: readonly ClothBolt[];
  /** Makers and spare sets. */
  readonly sets: number;
  /** All that the bags take, whole packs, whether it is there already or not. */
  readonly worth: Money;
  /** What is still to be bought. */
  readonly toPay: Money;
  /** Of `worth`, what a bag of each block takes, and each top; notions apart. */
  readonly bagCosts: readonly { readonly block: string; readonly each: number; readonly bags: number }[];
  readonly topCost: number;
}

export const lineKey = (group: LineGroup, thing: string) => `${group}:${thing}`;
const THREAD = 'sewing thread';

/** An amount that ends a hair over a pack is one. */
const HAIR = 1e-9;

/**
 * Adds up what the bags take. Whole packs and spools are bought, cloth as shops cut it and as its bolt plan needs it; what is there
 * and what is on its way comes first. Packed bags take nothing more.
 */
export function orderOf(wanted: OrderWanted): Order {
  const { blocks, makers, tops = makers, shelf, plan, system, ordered = {} } = wanted;
  const { figures, notions, stock } = plan;
  const [sets, topSets] = [makers + figures.spareSets, tops + figures.spareSets];
  const sparesOf = ({ isOwn }: OrderedBlock) => (isOwn ? 0 : figures.spareSets);
  const all = blocks.map((block) => block.bags + sparesOf(block));
  const open = blocks.map((block) => block.left + sparesOf(block));
  const line = (group: LineGroup, thing: string, unit: string, needed: number, left: number, own: number, sold: readonly PackSize[]): OrderLine => {
    const key = lineKey(group, thing);
    const onWay = ordered[key] ?? 0;
    const sizes = [...sold].sort((a, b) => a.pack - b.pack);
    const pack = sizes[0]?.pack ?? 1;
    const buy = cheapestPacks(left - own - onWay, sizes);
    const over = onWay > 0 ? Math.min(Math.floor(onWay / pack + HAIR), Math.floor((own + onWay - left) / pack + HAIR)) : 0;
    return { key, group, thing, unit, needed, left, stock: own, ordered: onWay, sizes, buy, cost: costOf(buy), packs: buy.reduce((sum, one) => sum + one.packs, 0), over: Math.max(0, over) };
  };
  const since = (counted: number) => blocks.map(({ packedAt }) => packedAt.filter((at) => at > counted).length);
  const inStock = (group: LineGroup, thing: string, usedBy: (bags: readonly number[]) => number) => {
    const key = lineKey(group, thing);
    const there = stock[key] ?? 0;
    return there === 0 ? 0 : Math.max(0, there - usedBy(since(plan.stockAt[key] ?? 0)));
  };
  const clothThere = (fabric: string, { stockMm, pieces, stockAt = Infinity }: ShelfCloth & { readonly stockAt?: number }, usableMm: number, mayTurn: boolean) => {
    const used = stockMm === 0 && pieces.length === 0 ? [] : (clothUse({ ...wanted, top: [] }, since(stockAt), 0).get(fabric) ?? []);
    const { left, rest } = fromPieces(used, pieces, mayTurn);
    return { stock: Math.max(0, stockMm - boltPlan(left, usableMm, mayTurn).lengthMm), rest };
  };
  const sizesNow = clothUse(wanted, open, topSets);
  const cloths = [...clothUse(wanted, all, topSets)].map(([fabric, sizes]) => {
    const cloth = shelf.find(({ name }) => name === fabric) ?? USUAL_CLOTH;
    const [usableMm, mayTurn] = [usableWidth(cloth), cloth.turns === 'any'];
    const now = sizesNow.get(fabric) ?? [];
    const { stock: bolted, rest } = clothThere(fabric, cloth, usableMm, mayTurn);
    const pieces = fromPieces(now, rest, mayTurn);
    const [whole, left, fromBolt] = [sizes, now, pieces.left].map((list) => boltPlan(list, usableMm, mayTurn)) as [BoltPlan, BoltPlan, BoltPlan];
    const pack = soldBy(system);
    return {
      bolt: { fabric, sizes: now, plan: fromBolt, usableMm, pieces: pieces.cut },
      line: line('cloth', fabric, 'mm', whole.lengthMm, left.lengthMm, bolted + Math.max(0, left.lengthMm - fromBolt.lengthMm), [{ pack, price: (cloth.pricePerMetre * pack) / 1000 }]),
    };
  });
  const totals = (bags: readonly number[]) => {
    const papers = pickList(blocks.map((block, index) => ({ ...block, bags: bags[index] ?? 0 }))).papers;
    const metres = (own: (block: OrderedBlock) => number) => blocks.reduce((sum, block, index) => sum + own(block) * (bags[index] ?? 0), 0);
    return { papers, thread: metres(({ threadMetres }) => threadMetres), edges: metres(({ edgeMetres }) => edgeMetres) };
  };
  const [whole, left] = [totals(all), totals(open)];
  const leftPapers = new Map(left.papers.map(({ what, total }) => [what, total]));
  const lines = [
    ...cloths.map((one) => one.line),
    ...whole.papers.map(({ what, total }) => line('papers', what, 'papers', total, leftPapers.get(what) ?? 0, inStock('papers', what, (bags) => totals(bags).papers.find((one) => one.what === what)?.total ?? 0), paperSizes(plan))),
    line('thread', THREAD, 'm', whole.thread, left.thread, inStock('thread', THREAD, (bags) => totals(bags).thread), [{ pack: figures.spoolMetres, price: figures.spoolPrice }]),
    ...notions.map(({ what, amount, per, unit, pack, price }) => {
      const [needed, still] = per === 'maker' ? [amount * sets, amount * sets] : [amount * whole.edges, amount * left.edges];
      return line('notions', what, unit, needed, still, inStock('notions', what, (bags) => (per === 'metre' ? amount * totals(bags).edges : 0)), [{ pack, price }]);
    }),
  ];
  const worths = new Map(lines.map((one) => [one.key, costOf(cheapestPacks(one.needed, one.sizes))]));
  const worthOf = ({ key }: OrderLine) => worths.get(key) ?? 0;
  const worth = money(lines, worthOf);
  return { lines, bolts: cloths.map(({ bolt }) => bolt), sets, worth, toPay: money(lines, ({ cost }) => cost), ...shares(wanted, all, topSets, lines, worthOf) };
} // prettier-ignore

/** How papers are sold: as the figures say, and in further packs. A size that is named twice counts as it is named last. */
export function paperSizes({ figures, paperPacks }: Pick<OrderPlan, 'figures' | 'paperPacks'>): PackSize[] {
  const sizes = [{ pack: figures.papersInPack, price: figures.packPrice }, ...paperPacks];
  return [...new Map(sizes.map((size) => [size.pack, size])).values()];
}

function money(lines: readonly OrderLine[], costs: (line: OrderLine) => number): Money {
  const sum = (group?: LineGroup) =>
    lines.reduce((total, line) => total + (group && line.group !== group ? 0 : costs(line)), 0);
  return { cloth: sum('cloth'), papers: sum('papers'), thread: sum('thread'), notions: sum('notions'), all: sum() }; // prettier-ignore
}

/** Sizes to cut of each cloth: pieces, or the cut that each bag of a block is given; and what the tops take. */
function clothUse({ blocks, plan, top = [] }: OrderWanted, bags: readonly number[], sets: number): Map<string, BoltSize[]> {
  const given = (blockId: string, fabric: string) => plan.givenCuts.find((cut) => cut.blockId === blockId && cut.fabric === fabric);
  const packed = blocks.map(({ id, block, contents, givenCuts = 1 }, index) => ({
    block,
    bags: bags[index] ?? 0,
    contents: { ...contents, fabrics: contents.fabrics.map(({ fabric, cuts }) => ({ fabric, cuts: cutsOf(cuts, given(id, fabric), givenCuts) })) },
  }));
  const sizes = new Map(pickList(packed).cloth.map(({ fabric, lines }) => [fabric, clothSizes(lines)]));
  for (const { fabric, widthMm, lengthMm, count } of top)
    sizes.set(fabric, [...(sizes.get(fabric) ?? []), { what: 'for the tops', widthMm, lengthMm, total: count * sets }]);
  return sizes;
} // prettier-ignore

type Cuts = BagContents['fabrics'][number]['cuts'];

function cutsOf(cuts: Cuts, given: GivenCut | undefined, count: number): Cuts {
  if (!given || count === 0) return cuts;
  const { name, widthMm, lengthMm } = given;
  return [{ kindName: name, widthMm, lengthMm, count }];
}

/** Shares the worth of cloth by area, that of papers by count, that of thread by length: all shares together are the whole. */
function shares(wanted: OrderWanted, bags: readonly number[], sets: number, lines: readonly OrderLine[], worthOf: (line: OrderLine) => number): Pick<Order, 'bagCosts' | 'topCost'> {
  const { blocks } = wanted;
  const alone = blocks.map((_, index) => clothUse({ ...wanted, top: [] }, blocks.map((_, other) => (other === index ? (bags[index] ?? 0) : 0)), 0));
  const tops = clothUse({ ...wanted, blocks: [] }, [], sets);
  const areaOf = (use: ReadonlyMap<string, readonly BoltSize[]>, fabric: string) =>
    (use.get(fabric) ?? []).reduce((sum, { widthMm, lengthMm, total }) => sum + widthMm * lengthMm * total, 0);
  const clothCost = (use: ReadonlyMap<string, readonly BoltSize[]>) =>
    lines.filter(({ group }) => group === 'cloth').reduce((sum, line) => {
      const { thing } = line;
      const area = [...alone, tops].reduce((whole, one) => whole + areaOf(one, thing), 0);
      return sum + (area === 0 ? 0 : (worthOf(line) * areaOf(use, thing)) / area);
    }, 0);
  const share = (line: OrderLine, own: number) => (line.needed === 0 ? 0 : (worthOf(line) * own) / line.needed);
  const bagCosts = blocks.map(({ block, contents, threadMetres }, index) => {
    const own = bags[index] ?? 0;
    const small = lines.reduce((sum, line) => {
      if (line.group === 'thread') return sum + share(line, threadMetres * own);
      if (line.group !== 'papers') return sum;
      const count = contents.papers.filter(({ name }) => name === line.thing).reduce((all, { count: papers, spares }) => all + papers + spares, 0);
      return sum + share(line, count * own);
    }, 0);
    return { block, each: own === 0 ? 0 : (clothCost(alone[index] ?? new Map()) + small) / own, bags: own };
  });
  return { bagCosts, topCost: sets === 0 ? 0 : clothCost(tops) / sets };
} // prettier-ignore

/** What one maker more costs, and one less saves: they take every block. What is in stock already is not counted off. */
export function oneMaker(wanted: OrderWanted): { readonly more: number; readonly less: number } {
  const cost = (change: number) =>
    orderOf({
      ...wanted,
      makers: Math.max(0, wanted.makers + change),
      ...(wanted.tops === undefined ? {} : { tops: Math.max(0, wanted.tops + change) }),
      blocks: wanted.blocks.map((block) =>
        block.isOwn ? block : { ...block, bags: Math.max(0, block.bags + change) },
      ),
    }).worth.all;
  const now = cost(0);
  return { more: cost(1) - now, less: now - cost(-1) };
}

/** What is asked of a maker so that a share of it is left when all is bought. */
export function priceOf(cost: number, { marginPercent, taxPercent }: OrderPlan['figures']): { readonly net: number; readonly tax: number; readonly gross: number } {
  const net = cost / (1 - marginPercent / 100);
  const tax = (net * taxPercent) / 100;
  return { net, tax, gross: net + tax };
} // prettier-ignore

/** The share of a price (tax in it) that is left when all is bought, per cent; negative where it costs more. */
export function marginOf(cost: number, gross: number, { taxPercent }: OrderPlan['figures']): number {
  const net = gross / (1 + taxPercent / 100);
  return net === 0 ? 0 : (100 * (net - cost)) / net;
}
