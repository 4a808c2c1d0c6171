import { outlineAbout, type Motif } from '@/core/fussy';
import type { Motion as Laying, Point } from '@/core/geometry';
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
  /** Of a printed cloth. */
  readonly laid?: LaidPaper;
}

/** Where the papers lie in their block, mm: each motion lays the paper on one of its patches. */
export interface LaidPaper {
  readonly widthMm: number;
  readonly heightMm: number;
  /** All outlines of the block, as an SVG path. */
  readonly around: string;
  readonly motions: readonly Laying[];
}

/** A paper on its point of the motif, and how many make a set. */
export interface FussyPoint {
  readonly paper: FussyPaper;
  readonly motif: Motif;
  readonly setOf: number;
}

/** Points in the order in which their sets are wanted, and the piece that they are cut from. */
export interface FussyWish {
  readonly cloth: ShelfCloth;
  readonly lengthMm: number;
  readonly points: readonly FussyPoint[];
}

/** The answer to a fussy request, as far as it is shown. */
export interface FussyFound {
  /** `point` is the place among the points. */
  readonly placed: readonly (Point & { readonly point: number })[];
  readonly points: readonly { readonly sets: number; readonly most: number }[];
  readonly isProven: boolean;
}

/** Motifs lie in the middle of their repeats; the first repeat begins at the selvedge and at the cut edge. */
export const firstMotif = ({ repeatWidthMm, repeatHeightMm }: ShelfCloth): Point => ({ x: repeatWidthMm / 2, y: repeatHeightMm / 2 }); // prettier-ignore

/** Points that one request may name. */
export const MOST_POINTS = 20;

const idOf = (point: number) => String.fromCharCode(97 + point);

/** A `kevlo.fussy-request/1`. @param outlineOf what is cut of a paper */
export function fussyRequest(
  { cloth, lengthMm, points }: FussyWish,
  outlineOf: (paper: FussyPaper) => readonly Point[] = ({ cut }) => cut,
): object {
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
    anchors: points.map(({ paper, motif, setOf }, point) => ({
      id: idOf(point),
      outline: outlineAbout(outlineOf(paper), motif).map((p) => [p.x, p.y]),
      setOf,
    })),
  };
}

interface FussyResult {
  readonly placed: readonly { readonly anchor: string; readonly x: number; readonly y: number }[];
  readonly anchors: readonly { readonly sets: number; readonly most: number }[];
  readonly isProven: boolean;
}

export function readFound({ placed, anchors, isProven }: FussyResult): FussyFound {
  const pointOf = (anchor: string) => anchor.charCodeAt(0) - 97;
  return {
    placed: placed.map(({ anchor, x, y }) => ({ point: pointOf(anchor), x, y })),
    points: anchors.map(({ sets, most }) => ({ sets, most })),
    isProven,
  };
}

/** Cuts in the order of cutting: point after point, each row by row from the cut edge, each row from the left. */
export function inCuttingOrder(placed: FussyFound['placed']): FussyFound['placed'] {
  return [...placed].sort((a, b) => a.point - b.point || a.y - b.y || a.x - b.x);
}
