import { itemAt } from '../lists';
import { boltPlan, type BoltSize } from './boltPlan';

/** A piece of cloth without selvedges that lies on the shelf. */
export interface ClothPiece {
  readonly widthMm: number;
  readonly lengthMm: number;
}

/** What is cut from one piece: how many of each size, by their places. */
export interface CutPiece extends ClothPiece {
  readonly counts: readonly number[];
}

export interface FromPieces {
  /** The pieces that something is cut from. */
  readonly cut: readonly CutPiece[];
  /** The sizes with what is still to be cut from the bolt. */
  readonly left: readonly BoltSize[];
  /** What is left of the pieces; of one that was cut into the length below its strips. */
  readonly rest: readonly ClothPiece[];
}

/**
 * Cuts sizes from the pieces on the shelf before the bolt is touched: the smallest pieces first, so that large ones stay whole. Of
 * each the strips that {@link boltPlan} would cut are taken as long as its length holds them.
 */
export function fromPieces(
  sizes: readonly BoltSize[],
  pieces: readonly ClothPiece[],
  mayTurn: boolean,
): FromPieces {
  let left = [...sizes];
  const [cut, rest]: [CutPiece[], ClothPiece[]] = [[], []];
  const bySize = [...pieces].sort((a, b) => a.widthMm * a.lengthMm - b.widthMm * b.lengthMm);
  for (const piece of bySize) {
    const fits = left.map((size) => (goesInto(size, piece, mayTurn) ? size : { ...size, total: 0 }));
    const { strips } = boltPlan(fits, piece.widthMm, mayTurn);
    const counts = left.map(() => 0);
    let lengthMm = piece.lengthMm;
    for (const { times, heightMm, runs } of strips) {
      const taken = Math.min(times, Math.floor(lengthMm / heightMm + 1e-9));
      lengthMm -= taken * heightMm;
      for (const { size, count } of runs) counts[size] = itemAt(counts, size) + taken * count;
    }
    const isCut = counts.some((count) => count > 0);
    if (isCut) cut.push({ ...piece, counts });
    if (lengthMm > 0) rest.push({ ...piece, lengthMm });
    left = left.map((size, index) => ({ ...size, total: size.total - itemAt(counts, index) }));
  }
  return { cut, left, rest };
}

function goesInto({ widthMm, lengthMm }: BoltSize, piece: ClothPiece, mayTurn: boolean): boolean {
  const goes = (across: number, along: number) => across <= piece.widthMm && along <= piece.lengthMm;
  return goes(widthMm, lengthMm) || (mayTurn && goes(lengthMm, widthMm));
}
