import type { CuttingPace, StandardCut } from '../cutting';
import type { UnitSystem } from '../length';
import type { PackSize } from './packs';
import type { WornPapers } from './wornPapers';
import type { TopPieces } from '../setting';

/** What is bought beside cloth, and how; money in the currency of the order, 0 where a price is not known. */
export interface OrderFigures extends CuttingPace {
  /** A piece for hand cutting: more than the allowance at the rim of its block, less where a side stays raw, mm. */
  readonly outerMoreMm: number;
  readonly rawLessMm: number;
  /** What scissors cut along a drawn line in a minute, mm. */
  readonly handMmPerMinute: number;
  /** Bags made up beside those of the makers: one of every block for each. */
  readonly spareSets: number;
  readonly papersInPack: number;
  readonly packPrice: number;
  readonly spoolMetres: number;
  readonly spoolPrice: number;
  /** On a full bolt. */
  readonly boltMetres: number;
  /** Of the price, before tax. */
  readonly marginPercent: number;
  readonly taxPercent: number;
}

/** Something small that is bought for each maker, or by the metre of paper edge that is basted (glue, basting thread). */
export interface Notion {
  readonly what: string;
  /** Of `unit`, for each maker or for each metre. */
  readonly amount: number;
  readonly per: 'maker' | 'metre';
  readonly unit: string;
  /** Of `unit`, in what is sold. */
  readonly pack: number;
  readonly price: number;
}

/** The piece of a cloth that each bag of a block is given, in place of its pieces cut. */
export interface GivenCut {
  readonly blockId: string;
  readonly fabric: string;
  readonly name: string;
  readonly widthMm: number;
  readonly lengthMm: number;
}

/** What the host decided about buying. Lines of the order are known by their keys. */
export interface OrderPlan {
  /** What money is counted in, by its code (ISO 4217); empty where nobody said. */
  readonly currency: string;
  readonly figures: OrderFigures;
  readonly notions: readonly Notion[];
  /** Packs that papers are sold in besides the one of the figures. */
  readonly paperPacks: readonly PackSize[];
  /** Of which cloth the parts of the top are; those without one are not ordered. */
  readonly topCloths: Readonly<Partial<Record<keyof TopPieces, string>>>;
  readonly givenCuts: readonly GivenCut[];
  /** Cuts that are sold here besides the usual ones. */
  readonly ownCuts: readonly StandardCut[];
  /** What is there of papers (count), thread (m) and notions (their units); cloth is counted on the shelf. */
  readonly stock: Readonly<Record<string, number>>;
  /** Of the papers there, those that were sewn with. */
  readonly worn: Readonly<Record<string, WornPapers>>;
  /** When each was counted, ms since 1970: what bags took since is not there any more. */
  readonly stockAt: Readonly<Record<string, number>>;
  /** Where a line is bought; free words. */
  readonly suppliers: Readonly<Record<string, string>>;
}

export const USUAL_ORDER: OrderPlan = {
  currency: '',
  figures: {
    spareSets: 0,
    papersInPack: 100,
    packPrice: 0,
    spoolMetres: 200,
    spoolPrice: 0,
    boltMetres: 15,
    marginPercent: 40,
    taxPercent: 0,
    throughMinutes: 1,
    crossMinutes: 0.25,
    layers: 4,
    outerMoreMm: 0,
    rawLessMm: 0,
    handMmPerMinute: 300,
  },
  notions: [
    { what: 'Needles', amount: 2, per: 'maker', unit: 'needles', pack: 20, price: 0 },
    { what: 'Water-soluble glue', amount: 0.1, per: 'metre', unit: 'ml', pack: 10, price: 0 },
  ],
  paperPacks: [],
  topCloths: {},
  givenCuts: [],
  ownCuts: [],
  stock: {},
  worn: {},
  stockAt: {},
  suppliers: {},
};

/** Where lengths are in inches: a foot of cutting line a minute, bolts of fifteen yards and spools of two hundred. */
const IN_INCHES: Partial<OrderFigures> = { handMmPerMinute: 304.8, boltMetres: 13.716, spoolMetres: 182.88 };

/** Before anybody said anything, in the units of a project. */
export const usualOrder = (system: UnitSystem): OrderPlan => ({
  ...USUAL_ORDER,
  figures: { ...USUAL_ORDER.figures, ...(system === 'inch' ? IN_INCHES : {}) },
});

/** How far the figures go. A margin of a hundred per cent has no price. */
export const ORDER_LIMITS: Readonly<
  Record<keyof OrderFigures, { readonly least: number; readonly most: number; readonly isWhole?: boolean }>
> = {
  spareSets: { least: 0, most: 1000, isWhole: true },
  papersInPack: { least: 1, most: 10_000, isWhole: true },
  packPrice: { least: 0, most: 10_000 },
  spoolMetres: { least: 1, most: 20_000 },
  spoolPrice: { least: 0, most: 10_000 },
  boltMetres: { least: 1, most: 200 },
  marginPercent: { least: 0, most: 95 },
  taxPercent: { least: 0, most: 50 },
  throughMinutes: { least: 0, most: 60 },
  crossMinutes: { least: 0, most: 60 },
  layers: { least: 1, most: 12, isWhole: true },
  outerMoreMm: { least: 0, most: 50 },
  rawLessMm: { least: 0, most: 25 },
  handMmPerMinute: { least: 20, most: 5000 },
};

export const NOTION_LIMITS = {
  amount: { least: 0, most: 1000 },
  pack: { least: 0.01, most: 100_000 },
  price: { least: 0, most: 10_000 },
  /** Notions of one project, and letters in a name. */
  count: 30,
  letters: 60,
} as const;

/** Cuts that a shop adds to the usual ones. */
export const MOST_OWN_CUTS = 20;

/** Further packs of papers. */
export const MOST_PAPER_PACKS = 6;

/** Sides of a piece that a bag is given, mm. */
export const CUT_LIMITS_MM = { least: 10, most: 4000 } as const;
