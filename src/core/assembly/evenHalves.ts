import { itemAt } from '../lists';
import { Marks, groupsOf, keptFor, type SeamGraph } from '../block';
import { middleOfCorners, turnAbout } from '../geometry';
import { chainsOf } from './interface';
import { seamsBetween } from './tree';

/** Directions across which a unit is halved, degrees: those of squares, triangles and hexagons among them. */
const DIRECTIONS = [0, 30, 60, 90, 120, 150] as const;

/**
 * Halves a unit through which no line of seams runs straight, so that where it is cut no bend can be spared: by the middles of
 * its patches across that direction which opens the fewest seams; a little to the side where holes are in the way.
 * @returns undefined where no such halves hang together, or the two would meet in more than two runs
 * Cost: n log n in the unit’s patches.
 */
export function evenHalves(
  graph: SeamGraph,
  members: readonly number[],
): readonly (readonly number[])[] | undefined {
  const room = roomFor(graph);
  for (const shares of SHARES) {
    const cuts = shares.flatMap((share) => room.along.map((along) => cutAcross(room, members, along, share)));
    for (const { along, at } of cuts.sort((a, b) => a.opened - b.opened)) {
      const [first, second]: [number[], number[]] = [[], []];
      for (const patch of members) ((along[patch] as number) < at ? first : second).push(patch);
      if (isSound(graph, [first, second])) return [first, second];
    }
  }
  return undefined;
}

/** Where a unit is cut, as shares of its patches: in the middle, or nearly. */
const SHARES = [[0.5], [0.45, 0.55, 0.4, 0.6]] as const;

interface Cut {
  /** How far along the direction each patch of the block lies, mm; and where the unit is cut. */
  readonly along: Float64Array;
  readonly at: number;
  /** Seams that are opened, each counted from both of its sides. */
  readonly opened: number;
}

function cutAcross(
  { isOwn, neighbours, firstOf }: Room,
  members: readonly number[],
  along: Float64Array,
  share: number,
): Cut {
  const own = Float64Array.from(members, (patch) => along[patch] as number);
  const at = itemAt(own.sort(), Math.floor(members.length * share)) - HAIR_MM;
  isOwn.wipe();
  for (const patch of members) isOwn.add(patch);
  let opened = 0;
  for (const patch of members) {
    const isFirst = (along[patch] as number) < at;
    for (let i = firstOf[patch] as number; i < (firstOf[patch + 1] as number); i++) {
      const other = neighbours[i] as number;
      if ((along[other] as number) < at !== isFirst && isOwn.has(other)) opened += 1;
    }
  }
  return { along, at, opened };
}

/** Middles that lie level but for this are on one side, mm. */
const HAIR_MM = 0.5;

/** One run, and one more over a hole that is closed by it. */
const MOST_RUNS = 2;

function isSound(
  graph: SeamGraph,
  [first, second]: readonly [readonly number[], readonly number[]],
): boolean {
  // A cut that takes little off is none.
  if (Math.min(first.length, second.length) * 3 < Math.max(first.length, second.length)) return false;
  if ([first, second].some((part) => groupsOf(graph, part).length > 1)) return false;
  return chainsOf(graph, seamsBetween(graph, first, second)).length <= MOST_RUNS;
}

/** Whether no seam goes on in a straight line within a graph and none has a corner: then no cut spares a bend. */
export const hasNoLines = keptFor(
  ({ hasLine, isInner, isOfUnits, seams }: SeamGraph) =>
    !isOfUnits &&
    !hasLine.some((isThere, place) => isThere && isInner[place]) &&
    seams.every(({ innerBends }) => innerBends.length === 0),
);

/** What is the same for every unit of a graph. */
interface Room {
  readonly isOwn: Marks;
  /** For each direction how far along it the patches lie, mm. */
  readonly along: readonly Float64Array[];
  /** Neighbours of all patches one after another, and where those of each begin. */
  readonly neighbours: Int32Array;
  readonly firstOf: Int32Array;
}

const roomFor = keptFor(({ patches, seams, seamsOf }: SeamGraph): Room => {
  const middles = patches.map(({ outline }) => middleOfCorners(outline));
  const others = seamsOf.map((list, patch) =>
    list.map((seam) => itemAt(seams, seam).patches.find((one) => one !== patch) ?? patch),
  );
  const firstOf = new Int32Array(patches.length + 1);
  others.forEach(({ length }, patch) => (firstOf[patch + 1] = itemAt(firstOf, patch) + length));
  const along = DIRECTIONS.map((degrees) => {
    const { cos, sin } = turnAbout({ x: 0, y: 0 }, degrees);
    return Float64Array.from(middles, ({ x, y }) => x * cos + y * sin);
  });
  return { isOwn: new Marks(patches.length), along, neighbours: Int32Array.from(others.flat()), firstOf };
});
