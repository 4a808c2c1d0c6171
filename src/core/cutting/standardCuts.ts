import { MM_PER_INCH, type UnitSystem } from '../length';
import { nest, polygonArea, type PieceKind, type Nested, type Turns } from '../nesting';

/** A piece as shops sell it. */
export interface StandardCut {
  readonly name: string;
  readonly widthMm: number;
  readonly lengthMm: number;
}

/**
 * Cuts as shops sell them, smallest first. A fat cut is half of the cloth's width: where that is less than its name says, it is less.
 * @param usableMm width of the bolt between its selvedges, mm
 * @param own cuts that a shop adds; those wider than the bolt are left out
 */
export function standardCuts(usableMm: number, system: UnitSystem, own: readonly StandardCut[] = []): StandardCut[] {
  const half = (nominalMm: number) => Math.min(nominalMm, usableMm / 2);
  const inch = (name: string, width: number, length: number): StandardCut => ({ name, widthMm: width * MM_PER_INCH, lengthMm: length * MM_PER_INCH }); // prettier-ignore
  const cuts = system === 'inch'
    ? [
        inch('5″ square', 5, 5),
        inch('10″ square', 10, 10),
        { name: '2½″ strip', widthMm: usableMm, lengthMm: 2.5 * MM_PER_INCH },
        { name: 'fat eighth, 9 × 22″', widthMm: half(22 * MM_PER_INCH), lengthMm: 9 * MM_PER_INCH },
        { name: 'fat quarter, 18 × 22″', widthMm: half(22 * MM_PER_INCH), lengthMm: 18 * MM_PER_INCH },
        { name: 'quarter yard, 9″ × width', widthMm: usableMm, lengthMm: 9 * MM_PER_INCH },
        { name: 'half yard, 18″ × width', widthMm: usableMm, lengthMm: 18 * MM_PER_INCH },
      ]
    : [
        { name: 'square of 12.5 cm', widthMm: 125, lengthMm: 125 },
        { name: 'square of 25 cm', widthMm: 250, lengthMm: 250 },
        { name: 'strip of 6.5 cm', widthMm: usableMm, lengthMm: 65 },
        { name: 'fat eighth, 25 × 55 cm', widthMm: half(550), lengthMm: 250 },
        { name: 'fat quarter, 50 × 55 cm', widthMm: half(550), lengthMm: 500 },
        { name: 'quarter metre, 25 cm × width', widthMm: usableMm, lengthMm: 250 },
        { name: 'half metre, 50 cm × width', widthMm: usableMm, lengthMm: 500 },
      ];
  const added = own.filter(({ widthMm }) => widthMm <= usableMm);
  return [...cuts, ...added].sort((a, b) => a.widthMm * a.lengthMm - b.widthMm * b.lengthMm);
} // prettier-ignore

/** No layout uses more of a piece than this; smaller cuts are not tried. */
const MOST_DENSITY = 0.97;

/**
 * The smallest standard cut on which all pieces were found to go. A smaller one may do with more time.
 * @param spent a fresh clock for each cut that is tried: the share of its time that is spent
 */
export function smallestCut(
  kinds: readonly PieceKind[],
  cuts: readonly StandardCut[],
  turns: Turns,
  spent: () => () => number,
): { readonly cut: StandardCut; readonly nested: Nested } | undefined {
  const area = kinds.reduce((sum, { polygon, count }) => sum + count * polygonArea(polygon), 0);
  for (const cut of cuts) {
    if (area > cut.widthMm * cut.lengthMm * MOST_DENSITY) continue;
    const cloth = { width: cut.widthMm, length: cut.lengthMm, selvedge: 0, turns, used: [] };
    const nested = nest(kinds, cloth, { spent: spent() });
    if (nested.left.every((left) => left === 0)) return { cut, nested };
  }
  return undefined;
}
