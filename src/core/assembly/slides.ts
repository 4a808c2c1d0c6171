import { itemAt } from '../lists';
import { keptFor, type SeamGraph } from '../block';
import { edgeLength } from '../geometry';

/** The longest fold through which a needle passes hidden in one go, mm. */
export const MOST_SLIDE_MM = 60;
/** So many slides follow each other without a stitch. */
export const MOST_SLIDES = 2;

/** Ways that differ by less are as long, mm: a drawing need not be true to a hair. */
const HAIR_MM = 1.5;

/** The needle passes hidden through the fold along one whole side of a patch in hand, from one of its corners to the other. */
export interface Slide {
  readonly patch: number;
  /** Index of the side within the patch's outline. */
  readonly side: number;
  /** Places where it goes in and comes out. */
  readonly from: number;
  readonly to: number;
  readonly lengthMm: number;
}

/** Slides that begin at each place, in the order of the patches. */
const slidesFrom = keptFor((_: SeamGraph['seamsOf']) => new Map<number, readonly Slide[]>());

/** All slides of a graph that begin at a place. */
export function slidesAt(graph: SeamGraph, place: number): readonly Slide[] {
  const known = slidesFrom(graph.seamsOf);
  let own = known.get(place);
  if (!own) {
    if (known.size === 0) for (const [at, list] of allSlides(graph)) known.set(at, list);
    own = known.get(place) ?? [];
  }
  return own;
}

function allSlides({ patches, sides }: SeamGraph): Map<number, Slide[]> {
  const at = new Map<number, Slide[]>();
  const add = (slide: Slide) => {
    const own = at.get(slide.from);
    if (own) own.push(slide);
    else at.set(slide.from, [slide]);
  };
  patches.forEach(({ outline }, patch) => {
    const first = itemAt(sides.firstOf, patch);
    const count = outline.corners.length;
    for (let side = 0; side < count; side++) {
      const lengthMm = edgeLength(itemAt(sides.edges, first + side));
      if (lengthMm > MOST_SLIDE_MM) continue;
      const [from, to] = [
        itemAt(sides.startPlace, first + side),
        itemAt(sides.startPlace, first + ((side + 1) % count)),
      ];
      add({ patch, side, from, to, lengthMm });
      add({ patch, side, from: to, to: from, lengthMm });
    }
  });
  return at;
}

/** Where the needle can go from each place through one fold or two, by where it comes out. */
const reachedFrom = keptFor(
  (_: SeamGraph['seamsOf']) => new Map<number, ReadonlyMap<number, readonly Way[]>>(),
);

type Way = readonly Slide[];

/** Every way of the needle from one place to another: through one fold or through two, whoever has them in hand. */
export function waysToSlide(graph: SeamGraph, from: number, to: number): readonly Way[] {
  return graph.isOfUnits ? [] : (waysFromPlace(graph, from).get(to) ?? []);
}

/** The same by where the needle comes out. */
export function waysFromPlace(graph: SeamGraph, from: number): ReadonlyMap<number, readonly Way[]> {
  const known = reachedFrom(graph.seamsOf);
  let own = known.get(from);
  if (!own) known.set(from, (own = waysFrom(graph, from)));
  return own;
}

function waysFrom(graph: SeamGraph, from: number): Map<number, Way[]> {
  const ways = new Map<number, Way[]>();
  const add = (to: number, way: Way) => {
    const own = ways.get(to);
    if (own) own.push(way);
    else ways.set(to, [way]);
  };
  for (const one of slidesAt(graph, from)) {
    add(one.to, [one]);
    // What is reached in one is not reached by going on from there to itself.
    for (const next of slidesAt(graph, one.to)) if (next.to !== one.to) add(next.to, [one, next]);
  }
  return ways;
}

/**
 * The way of the needle from one place to another through folds of patches in hand: as few slides as can be, of those the
 * shortest way, and of ways as long, but for a hair, the first.
 * @returns no slides where it is the same place; undefined where none leads there
 */
export function slidesBetween(
  graph: SeamGraph,
  from: number,
  to: number,
  isInHand: (patch: number) => boolean,
): readonly Slide[] | undefined {
  if (from === to) return [];
  // What stands for a unit has no sides to pass through.
  if (graph.isOfUnits) return undefined;
  const first = slidesAt(graph, from).filter(({ patch }) => isInHand(patch));
  const straight = first.find((slide) => slide.to === to);
  if (straight) return [straight];
  let best: readonly Slide[] | undefined;
  let least = Infinity;
  for (const one of first)
    for (const next of slidesAt(graph, one.to)) {
      const lengthMm = one.lengthMm + next.lengthMm;
      if (next.to !== to || lengthMm >= least - HAIR_MM || !isInHand(next.patch)) continue;
      [best, least] = [[one, next], lengthMm];
    }
  return best;
}
