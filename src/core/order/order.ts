import { pickList, type PackedBlock } from '../bags';
import { USUAL_CLOTH, clothNeed, type ClothNeed, type CutLine, type ShelfCloth } from '../cloth';
import { itemAt } from '../lists';
import type { UnitSystem } from '../length';
import type { TopPiece } from '../setting';

/** A block with its bags and the thread that one maker sews it with. */
export interface OrderedBlock extends PackedBlock {
  readonly threadMetres: number;
}

/** What is bought beside cloth, and how; money as the shop counts it, 0 where a price is not known. */
export interface OrderFigures {
  readonly papersInPack: number;
  readonly packPrice: number;
  readonly spoolMetres: number;
  readonly spoolPrice: number;
  /** What each maker gets once: needles, thimble, glue, a pouch. */
  readonly notionsPrice: number;
  /** Of the price, before tax. */
  readonly marginPercent: number;
  readonly taxPercent: number;
}

export const USUAL_ORDER: OrderFigures = {
  papersInPack: 100,
  packPrice: 0,
  spoolMetres: 200,
  spoolPrice: 0,
  notionsPrice: 0,
  marginPercent: 40,
  taxPercent: 0,
};

/** How far the figures go. A margin of a hundred per cent has no price. */
export const ORDER_LIMITS: Readonly<
  Record<keyof OrderFigures, { readonly least: number; readonly most: number }>
> = {
  papersInPack: { least: 1, most: 10_000 },
  packPrice: { least: 0, most: 10_000 },
  spoolMetres: { least: 1, most: 20_000 },
  spoolPrice: { least: 0, most: 10_000 },
  notionsPrice: { least: 0, most: 10_000 },
  marginPercent: { least: 0, most: 95 },
  taxPercent: { least: 0, most: 50 },
};

export interface PaperNeed {
  readonly what: string;
  readonly total: number;
  readonly packs: number;
}

/** What all bags of a project take, what has to be bought of it, and what that costs. */
export interface Order {
  readonly cloth: readonly ClothNeed[];
  readonly papers: readonly PaperNeed[];
  readonly threadMetres: number;
  readonly spools: number;
  readonly makers: number;
  readonly cost: { readonly cloth: number; readonly papers: number; readonly thread: number; readonly notions: number; readonly all: number };
} // prettier-ignore

/** The shelf by the names of its cloths. */
export type NamedShelf = readonly (ShelfCloth & { readonly name: string })[];

/** A piece that each maker's top takes beside the blocks, and of which cloth. */
export interface TopCut extends TopPiece {
  readonly fabric: string;
}

/**
 * Adds up what some blocks' bags take. Whole packs and spools are bought; cloth as shops cut it, stock first.
 * @param top what one maker's top takes beside the blocks: strips, cornerstones, border
 */
export function orderOf(
  blocks: readonly OrderedBlock[],
  makers: number,
  shelf: NamedShelf,
  figures: OrderFigures,
  system: UnitSystem,
  top: readonly TopCut[] = [],
): Order {
  const { papers: lines, cloth: cloths } = pickList(blocks);
  const sizesOf = (fabric: string): CutLine[] => [
    ...(cloths.find((one) => one.fabric === fabric)?.lines ?? []),
    ...top
      .filter((piece) => piece.fabric === fabric)
      .map((piece) => ({ ...piece, total: piece.count * makers })),
  ];
  const fabrics = [...new Set([...cloths.map(({ fabric }) => fabric), ...top.map(({ fabric }) => fabric)])];
  const cloth = fabrics.map((fabric) =>
    clothNeed(fabric, sizesOf(fabric), shelf.find(({ name }) => name === fabric) ?? USUAL_CLOTH, system),
  );
  const papers = lines.map(({ what, total }) => ({
    what,
    total,
    packs: Math.ceil(total / figures.papersInPack),
  }));
  const threadMetres = blocks.reduce((sum, { threadMetres: own, bags }) => sum + own * bags, 0);
  // A spool that ends a hair short is not another spool.
  const spools = Math.ceil(threadMetres / figures.spoolMetres - 1e-9);
  const parts = {
    cloth: cloth.reduce((sum, { cost }) => sum + cost, 0),
    papers: papers.reduce((sum, { packs }) => sum + packs, 0) * figures.packPrice,
    thread: spools * figures.spoolPrice,
    notions: makers * figures.notionsPrice,
  };
  const all = parts.cloth + parts.papers + parts.thread + parts.notions;
  return { cloth, papers, threadMetres, spools, makers, cost: { ...parts, all } };
}

/** What one maker more costs, and one less saves: they take every block. */
export function oneMaker(
  blocks: readonly OrderedBlock[],
  makers: number,
  shelf: NamedShelf,
  figures: OrderFigures,
  system: UnitSystem,
  top: readonly TopCut[] = [],
): { readonly more: number; readonly less: number } {
  const costs = [-1, 0, 1].map((change) => {
    const changed = blocks.map((block) => ({ ...block, bags: Math.max(0, block.bags + change) }));
    return orderOf(changed, Math.max(0, makers + change), shelf, figures, system, top).cost.all;
  });
  const [less, now, more] = [itemAt(costs, 0), itemAt(costs, 1), itemAt(costs, 2)];
  return { more: more - now, less: now - less };
}

/** What is asked of a maker so that a share of it is left when all is bought. */
export function priceOf(cost: number, { marginPercent, taxPercent }: OrderFigures): { readonly net: number; readonly tax: number; readonly gross: number } {
  const net = cost / (1 - marginPercent / 100);
  const tax = (net * taxPercent) / 100;
  return { net, tax, gross: net + tax };
} // prettier-ignore

/** The share of a price (tax in it) that is left when all is bought, per cent; negative where it costs more. */
export function marginOf(cost: number, gross: number, { taxPercent }: OrderFigures): number {
  const net = gross / (1 + taxPercent / 100);
  return net === 0 ? 0 : (100 * (net - cost)) / net;
}
