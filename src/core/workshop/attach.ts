import { itemAt } from '../lists';
import {
  SAME_LENGTH_MM,
  edgeLength,
  edgesOf,
  isSamePlace,
  layAgainst,
  mirrored,
  moveOutline,
  type Outline,
} from '../geometry';
import { Board, type FreeStretch } from './board';

/** How a paper is to be laid against a stretch. */
export interface AttachWish {
  /** Which of the possible ways, counted on by turning; any whole number. */
  readonly turn: number;
  readonly isTurnedOver: boolean;
  /** Whether edges of different length may be laid together. */
  readonly isForced: boolean;
  /** Layer to place it on; only patches of that layer are in its way. */
  readonly layer?: number;
}

/** A paper shown where it would go, before it is placed. */
export type Ghost =
  | {
      readonly kind: 'fits';
      readonly outline: Outline;
      /** Of how many ways this is one. */
      readonly ways: number;
      /** Patches that it would cover, by index. */
      readonly covers: readonly number[];
      /** Greatest difference of the two edges, mm. */
      readonly mismatchMm: number;
    }
  | { readonly kind: 'no-match'; readonly wantedMm: number; readonly edgesMm: readonly number[] };

/** Two bows closer than this are the same. */
const SAME_BULGE = 0.01;

/**
 * Lays a paper against a free stretch: edge on edge, both ends meeting. Only edges of the same length and bow are
 * laid together unless it is forced; then every edge is tried, flush with either end.
 */
export function attach(board: Board, paper: Outline, stretch: FreeStretch, wish: AttachWish): Ghost {
  const own = wish.isTurnedOver ? mirrored(paper) : paper;
  const ways = waysOf(own, stretch, wish.isForced);
  if (ways.length === 0) {
    return {
      kind: 'no-match',
      wantedMm: edgeLength(stretch.edge),
      edgesMm: [...new Set(edgesOf(own).map((edge) => Math.round(edgeLength(edge) * 100) / 100))],
    };
  }
  const way = itemAt(ways, ((wish.turn % ways.length) + ways.length) % ways.length);
  const layer = wish.layer ?? board.patches[stretch.patch]?.layer ?? 0;
  const covers = board.covered(way.outline, layer).map(({ patch }) => patch);
  return { kind: 'fits', outline: way.outline, ways: ways.length, covers, mismatchMm: way.mismatchMm };
}

interface Way {
  readonly outline: Outline;
  readonly mismatchMm: number;
}

function waysOf(paper: Outline, { edge }: FreeStretch, isForced: boolean): Way[] {
  const wanted = edgeLength(edge);
  const ways: Way[] = [];
  const add = (outline: Outline, mismatchMm: number) => {
    // The same place reached by another edge, as with a hexagon, is the same way.
    if (!ways.some((way) => isSamePlace(way.outline, outline, 0.05))) ways.push({ outline, mismatchMm });
  };
  const edges = edgesOf(paper).map((own) => ({ own, off: Math.abs(edgeLength(own) - wanted) }));
  for (const { own, off } of edges) {
    const isMatch = off <= SAME_LENGTH_MM && Math.abs(own.bulge + edge.bulge) <= SAME_BULGE;
    if (isMatch) add(moveOutline(layAgainst(own, edge), paper), off);
  }
  if (ways.length > 0 || !isForced) return ways;
  for (const { own, off } of edges) {
    add(moveOutline(layAgainst(own, edge), paper), off);
    add(moveOutline(layAgainst(own, edge, true), paper), off);
  }
  return ways;
}
