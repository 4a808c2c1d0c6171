import { itemAt } from '../lists';
import { type SeamGraph } from '../block';
import { orderRound } from '../geometry';
import { rimsOf } from './rims';

/** A way of cutting a unit: the seams to open, and the bends it costs beyond those that no plan avoids. */
export interface Cut {
  readonly seams: readonly number[];
  readonly excess: number;
}

/** What the search needs to know about one unit. */
export interface CutUnit {
  readonly graph: SeamGraph;
  readonly members: readonly number[];
  /** Seams of the unit that are not yet open. */
  readonly seams: readonly number[];
  readonly opened: ReadonlySet<number>;
  readonly isInside: (place: number) => boolean;
  /** Places on the outer rim, in the order of their directions from the middle. */
  readonly rim: readonly number[];
  /** For each place at the rim of a hole, all places of that rim. */
  readonly holeAt: ReadonlyMap<number, readonly number[]>;
  /** Middles of the patches, x and y, in the order of the members. */
  readonly middles: Float64Array;
}

/** What the search for a cut needs of a unit some of whose seams have been opened already. */
export function describeUnit(
  graph: SeamGraph,
  members: readonly number[],
  opened: ReadonlySet<number>,
): CutUnit {
  const own = new Set(members);
  const seams: number[] = [];
  const openPlaces = new Set<number>();
  for (const seam of opened) {
    const { start, end } = itemAt(graph.seams, seam);
    openPlaces.add(start.place).add(end.place);
  }
  const isOwn = (seam: number) => itemAt(graph.seams, seam).patches.every((patch) => own.has(patch));
  const inside = new Map<number, boolean>();
  const isInside = (place: number) => {
    let known = inside.get(place);
    if (known === undefined) {
      known =
        itemAt(graph.isInner, place) && !openPlaces.has(place) && (graph.seamsAt[place] ?? []).every(isOwn);
      inside.set(place, known);
    }
    return known;
  };
  const places = new Set<number>();
  for (const patch of members) {
    for (const seam of itemAt(graph.seamsOf, patch)) {
      const { patches, start, end } = itemAt(graph.seams, seam);
      if (patches[0] !== patch || !isOwn(seam) || opened.has(seam)) continue;
      seams.push(seam);
      places.add(start.place).add(end.place);
    }
  }
  const points = [...places].map((place) => itemAt(graph.places, place));
  const centre = { x: mean(points.map(({ x }) => x)), y: mean(points.map(({ y }) => y)) };
  // What stands for a unit has no outline to go round: all its rims are taken for one.
  const [outer = [], ...holes] = graph.isOfUnits
    ? [[...places].filter((place) => !isInside(place))]
    : rimsOf(graph, members, seams, isInside);
  const inOrder = [...outer].sort((a, b) => a - b);
  const rim = orderRound(inOrder, centre, (place) => itemAt(graph.places, place));
  const holeAt = new Map(holes.flatMap((hole) => hole.map((place) => [place, hole] as const)));
  return { graph, members, seams, opened, isInside, rim, holeAt, middles: middlesOf(graph, members) };
}

function middlesOf(graph: SeamGraph, members: readonly number[]): Float64Array {
  const middles = new Float64Array(members.length * 2);
  members.forEach((patch, i) => {
    const { corners } = itemAt(graph.patches, patch).outline;
    for (const { x, y } of corners) {
      middles[i * 2] = itemAt(middles, i * 2) + x / corners.length;
      middles[i * 2 + 1] = itemAt(middles, i * 2 + 1) + y / corners.length;
    }
  });
  return middles;
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
}

/** Straight lines looked at closely, in large units. */
export const CLOSE_LOOKS = 3;

/** So many of a list, evenly from all of it. */
export function spread<T>(list: readonly T[], count: number): T[] {
  if (list.length <= count) return [...list];
  return Array.from({ length: count }, (_, i) => list[Math.floor((i * list.length) / count)] as T);
}
