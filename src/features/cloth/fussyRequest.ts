import { outlineAbout, type Motif } from '@/core/fussy';
import type { Point } from '@/core/geometry';
import type { ShelfCloth } from '@/core/cloth';

/** One paper that can be cut round a motif: its outline, and the outline that is cut, in the same coordinates. */
export interface FussyPaper {
  readonly id: string;
  readonly block: string;
  readonly fabric: string;
  /** In one bag. */
  readonly count: number;
  readonly bags: number;
  readonly paper: readonly Point[];
  readonly cut: readonly Point[];
  /** What is cut with an allowance a sixteenth of an inch narrower. */
  readonly tighter: readonly Point[];
}

/** The answer to a fussy request, as far as it is shown. */
export interface FussyFound {
  readonly placed: readonly { readonly x: number; readonly y: number }[];
  readonly sets: number;
  readonly most: number;
  readonly isProven: boolean;
}

interface Piece {
  readonly cloth: ShelfCloth;
  readonly lengthMm: number;
  readonly motif: Motif;
  readonly setOf: number;
}

/** Motifs lie in the middle of their repeats; the first repeat begins at the selvedge and at the cut edge. */
export const firstMotif = ({ repeatWidthMm, repeatHeightMm }: ShelfCloth): Point => ({ x: repeatWidthMm / 2, y: repeatHeightMm / 2 }); // prettier-ignore

/** A `kevlo.fussy-request/1` for one paper. */
export function fussyRequest(outline: readonly Point[], { cloth, lengthMm, motif, setOf }: Piece): object {
  const { x, y } = firstMotif(cloth);
  return {
    format: 'kevlo.fussy-request/1',
    unit: 'mm',
    cloth: { widthMm: cloth.widthMm, lengthMm, selvedgeMm: cloth.selvedgeMm },
    repeat: {
      widthMm: cloth.repeatWidthMm,
      heightMm: cloth.repeatHeightMm,
      halfDrop: cloth.isHalfDrop,
      offset: [x, y],
    },
    anchors: [{ id: 'a', outline: outlineAbout(outline, motif).map((p) => [p.x, p.y]), setOf }],
  };
}

interface FussyResult {
  readonly placed: readonly { readonly x: number; readonly y: number }[];
  readonly anchors: readonly { readonly sets: number; readonly most: number }[];
  readonly isProven: boolean;
}

export function readFound({ placed, anchors, isProven }: FussyResult): FussyFound {
  return { placed, isProven, sets: anchors[0]?.sets ?? 0, most: anchors[0]?.most ?? 0 };
}

/** Cuts in the order of cutting: row by row from the cut edge, each row from the left. */
export function inCuttingOrder(placed: FussyFound['placed']): FussyFound['placed'] {
  return [...placed].sort((a, b) => a.y - b.y || a.x - b.x);
}
