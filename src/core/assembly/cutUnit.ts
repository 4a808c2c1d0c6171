import { itemAt } from '../lists';
import { Marks, keptFor, type SeamGraph } from '../block';
import { orderRound, type Point } from '../geometry';
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

/**
 * What the search for a cut needs of a unit some of whose seams have been opened already. It holds until the next unit of the
 * same graph is described: they share their room.
 */
export function describeUnit(
  graph: SeamGraph,
  members: readonly number[],
  opened: ReadonlySet<number>,
): CutUnit {
  const { isMember, isOpen, isSeen, inside, first, second } = roomFor(graph);
  isMember.wipe();
  for (const patch of members) isMember.add(patch);
  isOpen.wipe();
  for (const seam of opened) {
    const { start, end } = itemAt(graph.seams, seam);
    isOpen.add(start.place);
    isOpen.add(end.place);
  }
  const isOwn = (seam: number) => isMember.has(first[seam] as number) && isMember.has(second[seam] as number);
  const seams: number[] = [];
  const places: number[] = [];
  isSeen.wipe();
  inside.wipe();
  const look = (place: number) => {
    if (isSeen.has(place)) return;
    isSeen.add(place);
    places.push(place);
    if (graph.isInner[place] && !isOpen.has(place) && (graph.seamsAt[place] ?? []).every(isOwn)) inside.add(place); // prettier-ignore
  };
  for (const patch of members) {
    for (const seam of itemAt(graph.seamsOf, patch)) {
      if (first[seam] !== patch || !isMember.has(second[seam] as number) || opened.has(seam)) continue;
      seams.push(seam);
      const { start, end } = itemAt(graph.seams, seam);
      look(start.place);
      look(end.place);
    }
  }
  const isInside = (place: number) => inside.has(place);
  // What stands for a unit has no outline to go round: all its rims are taken for one.
  const [outer = [], ...holes] = graph.isOfUnits
    ? [places.filter((place) => !isInside(place))]
    : rimsOf(graph, members, seams, isInside);
  const inOrder = [...outer].sort((a, b) => a - b);
  const rim = orderRound(inOrder, meanOf(graph, places), (place) => itemAt(graph.places, place));
  const holeAt = new Map(holes.flatMap((hole) => hole.map((place) => [place, hole] as const)));
  return { graph, members, seams, opened, isInside, rim, holeAt, middles: middlesOf(graph, members) };
}

/** Marks for the unit that is looked at, and the two patches of each seam. */
const roomFor = keptFor(({ patches, seams, places }: SeamGraph) => ({
  isMember: new Marks(patches.length),
  isOpen: new Marks(places.length),
  isSeen: new Marks(places.length),
  inside: new Marks(places.length),
  first: Int32Array.from(seams, ({ patches: [patch] }) => patch),
  second: Int32Array.from(seams, ({ patches: [, patch] }) => patch),
}));

/** The middle of some places. */
function meanOf(graph: SeamGraph, places: readonly number[]): Point {
  let [x, y] = [0, 0];
  for (const place of places) {
    const at = itemAt(graph.places, place);
    x += at.x;
    y += at.y;
  }
  const count = Math.max(1, places.length);
  return { x: x / count, y: y / count };
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

/** Straight lines looked at closely, in large units. */
export const CLOSE_LOOKS = 3;

/** So many of a list, evenly from all of it. */
export function spread<T>(list: readonly T[], count: number): T[] {
  if (list.length <= count) return [...list];
  return Array.from({ length: count }, (_, i) => list[Math.floor((i * list.length) / count)] as T);
}
