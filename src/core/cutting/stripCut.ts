import { edgeLength, edgesOf, hasStraightSide, isStraight, narrowestBox, type Outline } from '../geometry';
import { roundUpToGrid, type UnitSystem } from '../length';

/** The piece of cloth for one patch, cut from a strip. */
export interface StripCut {
  /** Width of the strip, mm. */
  readonly widthMm: number;
  /** Length taken off the strip, mm; at least the width. */
  readonly lengthMm: number;
  /** The longest straight side of the paper that lies along an edge of the piece, mm. */
  readonly alongMm?: number;
  /** It has straight sides and none of them lies along an edge. */
  readonly isOnPoint?: true;
}

/** A side that differs from an edge of the piece by less than this lies along it, degrees. */
const ALONG_DEG = 0.5;

/**
 * Size of cloth to cut for a paper: its narrowest bounding strip plus the allowance on every side, rounded up to the
 * cutting grid (⅛″ or 5 mm), and how the paper lies on it.
 */
export function stripCut(outline: Outline, allowanceMm: number, system: UnitSystem): StripCut {
  const { length, width, angle } = narrowestBox(outline);
  const hasStraight = hasStraightSide(outline);
  const along = edgesOf(outline).flatMap((edge) => {
    const turn = Math.atan2(edge.b.y - edge.a.y, edge.b.x - edge.a.x) - angle;
    const off = Math.abs(Math.sin(2 * turn)) / 2;
    return isStraight(edge) && off < Math.sin((ALONG_DEG * Math.PI) / 180) ? [edgeLength(edge)] : [];
  });
  return {
    widthMm: roundUpToGrid(width + 2 * allowanceMm, system),
    lengthMm: roundUpToGrid(length + 2 * allowanceMm, system),
    ...(along.length > 0 ? { alongMm: Math.max(...along) } : hasStraight ? { isOnPoint: true } : {}),
  };
}
