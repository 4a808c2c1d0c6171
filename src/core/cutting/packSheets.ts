import { itemAt } from '../lists';
import { areaOf, type Motion, type Outline } from '../geometry';
import { packLattice, type Lattice } from './lattice';

/** A shape in its place on a sheet. */
export interface Placed {
  /** Index of the kind that was asked for. */
  readonly kind: number;
  readonly motion: Motion;
}

export interface PackedSheets {
  /** Placements of each sheet; a sheet begins at 0, 0. */
  readonly sheets: readonly (readonly Placed[])[];
  /** Kinds that fit on no sheet, whichever way they are turned. */
  readonly tooLarge: readonly number[];
  /** Area of the shapes as a share of the area of all sheets but the unused end of the last. */
  readonly usedShare: number;
}

interface Free {
  readonly sheet: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * Packs shapes onto sheets of one size: the largest first, each in rows wherever there is room, what is left of a
 * sheet beside and below going to the next kind.
 * @param gapMm least distance between shapes
 */
export function packSheets(
  kinds: readonly { readonly outline: Outline; readonly count: number }[],
  widthMm: number,
  heightMm: number,
  gapMm = 0,
): PackedSheets {
  const sheets: Placed[][] = [];
  const tooLarge: number[] = [];
  const free: Free[] = [];
  const order = kinds
    .map((_, index) => index)
    .sort((a, b) => areaOf(itemAt(kinds, b).outline) - areaOf(itemAt(kinds, a).outline));
  for (const kind of order) {
    const { outline, count } = itemAt(kinds, kind);
    let left = count;
    const pack = (room: Free) => packLattice(outline, room.width, room.height, left, gapMm);
    for (let i = 0; i < free.length && left > 0;) {
      const room = itemAt(free, i);
      const lattice = pack(room);
      if (lattice.places.length === 0) {
        i++;
        continue;
      }
      free.splice(i, 1);
      left -= fill(room, lattice, kind, left);
    }
    while (left > 0) {
      const room = { sheet: sheets.length, x: 0, y: 0, width: widthMm, height: heightMm };
      const lattice = pack(room);
      if (lattice.places.length === 0) {
        tooLarge.push(kind);
        break;
      }
      sheets.push([]);
      left -= fill(room, lattice, kind, left);
    }
  }
  return { sheets, tooLarge, usedShare: usedShare() };

  function fill(room: Free, lattice: Lattice, kind: number, most: number): number {
    const used = lattice.places.slice(0, most);
    for (const motion of used)
      sheets[room.sheet]?.push({ kind, motion: { ...motion, x: motion.x + room.x, y: motion.y + room.y } });
    const { widthMm: wide, heightMm: low, lastRowTopMm } = lattice.reach(used.length);
    const below = { ...room, y: room.y + low + gapMm, height: room.height - low - gapMm };
    // Beside a last row that is not full there is room as high as that row, where no row above reaches into it.
    const single = lastRowTopMm === 0;
    const beside = single
      ? { ...room, x: room.x + wide + gapMm, width: room.width - wide - gapMm, height: low }
      : undefined;
    for (const rest of [beside, below]) if (rest && rest.width > 3 && rest.height > 3) free.push(rest);
    return used.length;
  }

  function usedShare(): number {
    if (sheets.length === 0) return 0;
    const area = sheets.flat().reduce((sum, { kind }) => sum + areaOf(itemAt(kinds, kind).outline), 0);
    return area / (sheets.length * widthMm * heightMm);
  }
}

/** How many copies of one paper a sheet holds. */
export function papersPerSheet(outline: Outline, widthMm: number, heightMm: number, gapMm = 0): number {
  return packLattice(outline, widthMm, heightMm, Infinity, gapMm).places.length;
}
