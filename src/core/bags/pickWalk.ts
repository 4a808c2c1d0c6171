import { itemAt } from '../lists';
import type { ClothLine, PickLine, PickList } from './pickList';

/** One place on the shelf: a paper, a cloth with its cuts, or what the setting gives. */
export interface PickStop {
  /** `papers:` and the paper’s name, `cloth:` and the cloth’s, or `top`. */
  readonly key: string;
  readonly title: string;
  readonly lines: readonly (PickLine | ClothLine)[];
  /** Papers and pieces in all. */
  readonly pieces: number;
}

/**
 * The places that a pick list visits, each once, in the order in which one walks past them.
 * @param walk keys of places as they stand along the shelf; others come last, as the list has them
 */
export function pickStops({ papers, cloth, extras }: PickList, walk: readonly string[]): PickStop[] {
  const stop = (key: string, title: string, lines: PickStop['lines']): PickStop => ({
    key,
    title,
    lines,
    pieces: lines.reduce((sum, { total }) => sum + total, 0),
  });
  const stops = [
    ...papers.map((line) => stop(`papers:${line.what}`, line.what, [line])),
    ...(extras.length > 0 ? [stop('top', 'For the places in the top', extras)] : []),
    ...cloth.map(({ fabric, lines }) => stop(`cloth:${fabric}`, fabric, lines)),
  ];
  const place = new Map(walk.map((key, index) => [key, index]));
  const placeOf = ({ key }: PickStop) => place.get(key) ?? walk.length;
  return stops.sort((a, b) => placeOf(a) - placeOf(b));
}

/**
 * Shares a walk among helpers: each takes a stretch of it, so that they do not cross, and the longest share is as short as it can be.
 * @returns as many shares as there are helpers, or as stops where those are fewer
 * Cost: stops squared times helpers.
 */
export function shareStops(stops: readonly PickStop[], helpers: number): (readonly PickStop[])[] {
  const shares = Math.max(1, Math.min(helpers, stops.length));
  const upTo = [0];
  for (const { pieces } of stops) upTo.push(itemAt(upTo, upTo.length - 1) + pieces);
  // least[end]: the longest of the shares so far where they cover the first `end` stops; cuts: where the last of them begins.
  let least = upTo.map((pieces, end) => (end === 0 ? Infinity : pieces));
  const cuts: number[][] = [];
  for (let share = 1; share < shares; share++) {
    const [next, from] = [upTo.map(() => Infinity), upTo.map(() => 0)];
    for (let end = share + 1; end <= stops.length; end++)
      for (let start = share; start < end; start++) {
        const longest = Math.max(itemAt(least, start), itemAt(upTo, end) - itemAt(upTo, start));
        if (longest < itemAt(next, end)) [next[end], from[end]] = [longest, start];
      }
    least = next;
    cuts.push(from);
  }
  const result: (readonly PickStop[])[] = [];
  let end = stops.length;
  for (const from of cuts.reverse()) {
    result.unshift(stops.slice(itemAt(from, end), end));
    end = itemAt(from, end);
  }
  return [stops.slice(0, end), ...result];
}
