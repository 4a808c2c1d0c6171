import { itemAt } from '../lists';
import { edgeLength, edgesOf, isStraight, type Outline } from '../geometry';
import { foldClockwise, type FoldOrder } from './tails';

/** Orders of folding that are taught. The keys tell directions as seen from the front, the names as the hand sees them: from the paper side. */
export type FoldConvention =
  | 'clockwise'
  | 'counter-clockwise'
  | 'opposite-sides'
  | 'long-first'
  | 'long-last'
  | 'long-sides-then-ends'
  | 'up-tip-down'
  | 'curve-only';

/** What each is called and what it does to the tails. */
export const FOLD_CONVENTIONS: Readonly<
  Record<FoldConvention, { readonly name: string; readonly what: string }>
> = {
  clockwise: {
    name: 'All round, anticlockwise',
    what: 'Paper side towards you, side after side, the last slipped under the first: tails turn one way and never clash.',
  },
  'counter-clockwise': {
    name: 'All round, clockwise',
    what: 'Paper side towards you, the same the other way; clashes with anticlockwise neighbours.',
  },
  'opposite-sides': {
    name: 'Opposite sides, then the others',
    what: 'Flat at the corners; for squares and rectangles.',
  },
  'long-first': { name: 'Long edge first', what: 'Both tails lie over the long edge.' },
  'long-last': { name: 'Long edge last', what: 'The tails lie over the short edges.' },
  'long-sides-then-ends': {
    name: 'Long sides, then the ends',
    what: 'For strips: the long sides stay straight.',
  },
  'up-tip-down': {
    name: 'Up one side, the tip, down the other',
    what: 'For blades: the base comes last or stays raw.',
  },
  'curve-only': {
    name: 'The outward curve only',
    what: 'For clamshells set over a base: the rest is covered.',
  },
};

/** The conventions that make sense for a paper, clockwise first. */
export function conventionsFor(outline: Outline): FoldConvention[] {
  const edges = edgesOf(outline);
  const count = edges.length;
  const lengths = edges.map(edgeLength);
  const isUneven = Math.max(...lengths) > 1.2 * Math.min(...lengths);
  const hasOutwardCurve = edges.some((edge) => !isStraight(edge) && edge.bulge > 0);
  const list: FoldConvention[] = ['clockwise', 'counter-clockwise'];
  if (count === 4) list.push('opposite-sides');
  if (count === 3 || isUneven) list.push('long-first', 'long-last');
  if (count === 4 && isUneven) list.push('long-sides-then-ends');
  if (count >= 4 && isUneven) list.push('up-tip-down');
  if (hasOutwardCurve && count > 2) list.push('curve-only');
  return list;
}

/** The order in which a convention folds the sides of a paper. */
export function foldBy(convention: FoldConvention, outline: Outline): FoldOrder {
  const edges = edgesOf(outline);
  const lengths = edges.map(edgeLength);
  const sides = lengths.map((_, side) => side);
  const around = foldClockwise(lengths).order;
  const byLength = (sign: 1 | -1) =>
    [...around].sort((a, b) => sign * (itemAt(lengths, b) - itemAt(lengths, a)));
  const open = (order: readonly number[]): FoldOrder => ({ order, isTucked: false });
  switch (convention) {
    case 'clockwise':
      return foldClockwise(lengths);
    case 'counter-clockwise': {
      const [first, ...rest] = around;
      return { order: [first as number, ...rest.reverse()], isTucked: true };
    }
    case 'opposite-sides':
      return open([...around.filter((_, i) => i % 2 === 0), ...around.filter((_, i) => i % 2 === 1)]);
    case 'long-first':
      return open(byLength(1));
    case 'long-last':
      return open(byLength(-1));
    case 'long-sides-then-ends': {
      const long = byLength(1).slice(0, 2).sort((a, b) => a - b); // prettier-ignore
      return open([...long, ...sides.filter((side) => !long.includes(side))]);
    }
    case 'up-tip-down': {
      const base = baseOf(lengths);
      return open(sides.map((_, i) => (base + 1 + i) % sides.length));
    }
    case 'curve-only': {
      const curves = sides.filter((side) => (edges[side]?.bulge ?? 0) > 0);
      return open([...curves, ...sides.filter((side) => !curves.includes(side))]);
    }
  }
}

/** The base of a blade: the shortest side between the two longest. */
function baseOf(lengths: readonly number[]): number {
  const count = lengths.length;
  const cost = (side: number) => {
    const neighbours = itemAt(lengths, (side + 1) % count) + itemAt(lengths, (side + count - 1) % count);
    return itemAt(lengths, side) - neighbours;
  };
  return lengths.reduce((best, _, side) => (cost(side) < cost(best) ? side : best), 0);
}
