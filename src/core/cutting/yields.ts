import { narrowestBox } from '../geometry';
import { roundUpToGrid, type UnitSystem } from '../length';
import { itemAt } from '../lists';
import { nest, polygonArea, type PieceKind, type Turns } from '../nesting';
import type { StandardCut } from './standardCuts';

/** How many of one paper a piece of cloth gives. */
export interface Yield {
  readonly cut: StandardCut;
  /** As boxes side by side, rounded up to the cutting grid. */
  readonly strips: number;
  /** Laid close and cut round by hand. */
  readonly close: number;
}

/** More than this are not counted out. */
const MOST_PIECES = 400;

/**
 * How many of a paper each of some pieces of cloth gives. What is laid close is a first layout, found at once: with patience a few more
 * may go on. @param kind the cut shape, allowance in it; its count does not matter
 */
export function yieldsOf(
  kind: Omit<PieceKind, 'count'>,
  cuts: readonly StandardCut[],
  turns: Turns,
  system: UnitSystem,
): Yield[] {
  return cuts.map((cut) => {
    const strips = boxesOn(kind, cut, turns, system);
    const area = cut.widthMm * cut.lengthMm;
    const count = Math.min(MOST_PIECES, Math.floor(area / polygonArea(kind.polygon)));
    if (count === 0) return { cut, strips: 0, close: 0 };
    const cloth = { width: cut.widthMm, length: cut.lengthMm, selvedge: 0, turns, used: [] };
    const { left } = nest([{ ...kind, count }], cloth, { spent: () => 1, system });
    // Whoever lays them close may lay them as boxes too.
    return { cut, strips, close: Math.max(strips, count - itemAt(left, 0)) };
  });
}

/** Boxes side by side, whichever way round gives more where pieces may be turned. */
function boxesOn({ polygon }: Omit<PieceKind, 'count'>, { widthMm, lengthMm }: StandardCut, turns: Turns, system: UnitSystem): number {
  const box = turns === 'any' ? narrowestBox({ corners: polygon, bulges: polygon.map(() => 0) }) : uprightBox(polygon);
  const [width, length] = [roundUpToGrid(box.width, system), roundUpToGrid(box.length, system)];
  const count = (across: number, down: number) => Math.floor(widthMm / across + 1e-9) * Math.floor(lengthMm / down + 1e-9);
  return turns === 'any' ? Math.max(count(width, length), count(length, width)) : count(width, length);
} // prettier-ignore

function uprightBox(polygon: PieceKind['polygon']): { width: number; length: number } {
  const [xs, ys] = [polygon.map(({ x }) => x), polygon.map(({ y }) => y)];
  return { width: Math.max(...xs) - Math.min(...xs), length: Math.max(...ys) - Math.min(...ys) };
}
