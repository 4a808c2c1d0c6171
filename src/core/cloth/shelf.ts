import type { BoltSize, ClothPiece } from '../cutting';
import type { Turns } from '../nesting';
import { MM_PER_INCH, formatLength, parseLength, type UnitSystem } from '../length';

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
  /** Pieces besides the bolt, without selvedges. */
  readonly pieces: readonly ClothPiece[];
  /** Whether its edges come apart while it is handled. */
  readonly frays: boolean;
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
  pieces: [],
  frays: false,
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

/** Sides of a piece on the shelf, mm, and how many of one cloth are listed. */
export const PIECE_LIMITS = { least: 20, most: 10_000, count: 40 } as const;

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

/** Lines of a list as sizes to cut from a bolt. */
export const clothSizes = (lines: readonly CutLine[]): BoltSize[] =>
  lines.map(({ widthMm, lengthMm, total }) => ({ what: '', widthMm, lengthMm, total }));

/**
 * Pieces as they are typed: `30 cm × 50 cm; 8″ x 12″`.
 * @param fallback unit of a bare number
 * @returns undefined where something in it is no piece, or one too small, too large, or too many
 */
export function readPieces(text: string, fallback: 'mm' | 'cm' | 'in'): ClothPiece[] | undefined {
  const side = (typed: string) => {
    try {
      return parseLength(typed, fallback);
    } catch {
      return NaN;
    }
  };
  const isSide = (mm: number) => mm >= PIECE_LIMITS.least && mm <= PIECE_LIMITS.most;
  const read = text.split(';').filter((one) => one.trim() !== '').map((one) => one.split(/[×x*]/i).map(side)); // prettier-ignore
  if (read.length > PIECE_LIMITS.count || read.some((sides) => sides.length !== 2 || !sides.every(isSide))) return undefined; // prettier-ignore
  return read.map(([widthMm = 0, lengthMm = 0]) => ({ widthMm, lengthMm }));
}

/** Pieces as {@link readPieces} reads them. */
export const sayPieces = (pieces: readonly ClothPiece[], system: UnitSystem) =>
  pieces.map(({ widthMm, lengthMm }) => `${formatLength(widthMm, system)} × ${formatLength(lengthMm, system)}`).join('; '); // prettier-ignore
