import { layOutTop, type Setting } from './setting';

/** A piece of cloth that the top takes beside its blocks: cut size, allowance included, mm. */
export interface TopPiece {
  readonly widthMm: number;
  readonly lengthMm: number;
  readonly count: number;
}

/** What a top takes beside its blocks; a part that it does not have is empty. */
export interface TopPieces {
  /** Squares that blocks are sewn onto which do not fill their places: known from the blocks alone. */
  readonly squares: readonly TopPiece[];
  readonly strips: readonly TopPiece[];
  readonly cornerstones: readonly TopPiece[];
  /** Two sides, then the pieces that run right across above and below. */
  readonly border: readonly TopPiece[];
}

/**
 * Strips, cornerstones and border of one top, each with the allowance all round; the narrower side is the width.
 * @param squares those that blocks are sewn onto, as cut
 */
export function topPieces(
  setting: Setting,
  allowanceMm: number,
  squares: readonly TopPiece[] = [],
): TopPieces {
  const { strips, widthMm, heightMm } = layOutTop(setting);
  const cut = (width: number, height: number): Omit<TopPiece, 'count'> => ({
    widthMm: Math.min(width, height) + 2 * allowanceMm,
    lengthMm: Math.max(width, height) + 2 * allowanceMm,
  });
  const added = (pieces: readonly { readonly width: number; readonly height: number }[]): TopPiece[] => {
    const bySize = new Map<string, TopPiece>();
    for (const { width, height } of pieces) {
      const size = cut(width, height);
      const key = `${size.widthMm.toFixed(2)} × ${size.lengthMm.toFixed(2)}`;
      bySize.set(key, { ...size, count: (bySize.get(key)?.count ?? 0) + 1 });
    }
    return [...bySize.values()];
  };
  const { borderMm: border } = setting;
  const sides = { width: border, height: heightMm - 2 * border };
  const across = { width: widthMm, height: border };
  return {
    squares,
    strips: added(strips.filter(({ kind }) => kind !== 'cornerstone')),
    cornerstones: added(strips.filter(({ kind }) => kind === 'cornerstone')),
    border: border > 0 ? added([sides, sides, across, across]) : [],
  };
}
