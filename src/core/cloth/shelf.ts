import type { Turns } from '../nesting';
import { MM_PER_INCH, type UnitSystem } from '../length';

/** A cloth as it lies on the shelf. */
export interface ShelfCloth {
  /** From rim to rim, mm. */
  readonly widthMm: number;
  /** Cannot be used, at either side, mm. */
  readonly selvedgeMm: number;
  /** How its pieces may lie: a print with one way up is not turned. */
  readonly turns: Turns;
  /** On the bolt, mm. */
  readonly stockMm: number;
  /** For a metre, in the money of the shop; 0 where it is not known. */
  readonly pricePerMetre: number;
  /** From one motif to the next one like it, across and along, mm; 0 where nothing repeats that matters. */
  readonly repeatWidthMm: number;
  readonly repeatHeightMm: number;
  /** Whether every second column of motifs lies half a repeat lower. */
  readonly isHalfDrop: boolean;
}

/** Bolts of quilting cotton are about 110 cm wide, 107 usable. */
export const USUAL_CLOTH: ShelfCloth = {
  widthMm: 1100,
  selvedgeMm: 15,
  turns: 'any',
  stockMm: 0,
  pricePerMetre: 0,
  repeatWidthMm: 0,
  repeatHeightMm: 0,
  isHalfDrop: false,
};

/** Limits that forms and the server share. */
export const SHELF_LIMITS = {
  widthMm: { least: 50, most: 4000 },
  selvedgeMm: { least: 0, most: 200 },
  stockMm: { least: 0, most: 1_000_000 },
  pricePerMetre: { least: 0, most: 10_000 },
  repeatWidthMm: { least: 0, most: 2000 },
  repeatHeightMm: { least: 0, most: 2000 },
} as const;

/** Between the selvedges, mm. */
export const usableWidth = ({ widthMm, selvedgeMm }: ShelfCloth) => widthMm - 2 * selvedgeMm;

/** A repeat below this is no motif to cut round, mm. */
export const LEAST_REPEAT_MM = 5;

/** Whether a print's motifs are far enough apart to cut papers round them. */
export const hasRepeat = ({ repeatWidthMm, repeatHeightMm }: ShelfCloth) =>
  repeatWidthMm >= LEAST_REPEAT_MM && repeatHeightMm >= LEAST_REPEAT_MM;

/** What a piece of a cloth is worth by its share of a metre of the bolt, in the money of the shop; 0 where no price is known. */
export const worthOf = (cloth: ShelfCloth, widthMm: number, lengthMm: number) =>
  (cloth.pricePerMetre * widthMm * lengthMm) / (1000 * usableWidth(cloth));

/** Cloth is sold by this, mm: tenths of a metre or eighths of a yard. */
export function soldBy(system: UnitSystem): number {
  return system === 'inch' ? (36 * MM_PER_INCH) / 8 : 100;
}

/** One size to cut, for all bags. */
export interface CutLine {
  readonly widthMm: number;
  readonly lengthMm: number;
  readonly total: number;
}

/** What one cloth takes and what has to be bought. */
export interface ClothNeed {
  readonly fabric: string;
  /** Off the bolt by strips right across, mm. */
  readonly needMm: number;
  readonly stockMm: number;
  /** Rounded up to what shops sell, mm. */
  readonly buyMm: number;
  /** What is bought, in the money of the shop. */
  readonly cost: number;
  /** Sizes that do not go across the cloth. */
  readonly tooWide: readonly CutLine[];
}

/**
 * What all bags take of one cloth, cut from strips right across it: for each size the way round that takes less of the bolt.
 * What is in stock is used first.
 */
export function clothNeed(fabric: string, lines: readonly CutLine[], cloth: ShelfCloth, system: UnitSystem): ClothNeed {
  const usable = usableWidth(cloth);
  const tooWide = lines.filter(({ widthMm, lengthMm }) => Math.min(widthMm, lengthMm) > usable);
  const needMm = lines
    .filter((line) => !tooWide.includes(line))
    .reduce((sum, line) => sum + Math.min(stripLength(line.widthMm, line.lengthMm, line.total, usable), stripLength(line.lengthMm, line.widthMm, line.total, usable)), 0);
  const step = soldBy(system);
  // A bolt that is short by less than a thread is not short.
  const buyMm = Math.ceil((needMm - cloth.stockMm) / step - 1e-9) * step;
  const bought = Math.max(0, buyMm);
  return {
    fabric,
    needMm,
    stockMm: cloth.stockMm,
    buyMm: bought,
    cost: (bought / 1000) * cloth.pricePerMetre,
    tooWide,
  };
} // prettier-ignore

/** Length of the bolt for so many pieces, `across` of each lying along the strip. */
function stripLength(high: number, across: number, count: number, usable: number): number {
  const perStrip = Math.floor(usable / across + 1e-9);
  return perStrip === 0 ? Infinity : Math.ceil(count / perStrip) * high;
}
