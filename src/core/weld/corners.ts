import { itemAt } from '../lists';
import { clusterPoints, distance, sideLengths, type Point } from '../geometry';
import type { Patch } from '../block';

/** A corner belongs to another place where that is nearer than this share of the shortest side there. */
const SHARE_OF_SIDE = 1 / 4;
/** Pairs of near corners looked at for each corner; where more lie together nothing can be told apart any more. */
const MOST_PAIRS = 60;

/** Corners of all patches of one layer, and the places that they make. */
export interface Corners {
  /** Patch and corner of each, in one list. */
  readonly patchOf: readonly number[];
  readonly cornerOf: readonly number[];
  /** Where each was drawn. */
  readonly drawn: readonly Point[];
  /** How far each may be taken for another, mm. */
  readonly reach: readonly number[];
  /** Place of each corner. */
  readonly placeOf: readonly number[];
  /** The places, each in the middle of its corners. */
  readonly places: Point[];
  /** For each place the least of its corners' reaches, mm. */
  readonly placeReach: number[];
  /** First corner of each patch in the list, by patch; others have none. */
  readonly firstOf: ReadonlyMap<number, number>;
}

/**
 * Clusters corners that belong together: the nearest pairs first, never two of one patch, never further apart than the
 * reach or a quarter of the shortest side there (complete linkage).
 * @param members patches of one layer, by number
 * Cost: near-linear; sorting the near pairs.
 */
export function clusterCorners(
  patches: readonly Patch[],
  members: readonly number[],
  reachMm: number,
): Corners {
  const [patchOf, cornerOf, drawn, reach] = [[], [], [], []] as [number[], number[], Point[], number[]];
  const firstOf = new Map<number, number>();
  for (const patch of members) {
    const { outline } = itemAt(patches, patch);
    const lengths = sideLengths(outline);
    firstOf.set(patch, patchOf.length);
    outline.corners.forEach((corner, i) => {
      const before = itemAt(lengths, (i + lengths.length - 1) % lengths.length);
      patchOf.push(patch);
      cornerOf.push(i);
      drawn.push(corner);
      reach.push(Math.min(reachMm, SHARE_OF_SIDE * Math.min(before, itemAt(lengths, i))));
    });
  }
  const clusters = new Clusters(drawn, patchOf, reach);
  for (const [a, b] of nearPairs(drawn, reachMm)) clusters.tryJoin(a, b);
  return { patchOf, cornerOf, drawn, reach, firstOf, ...clusters.places() };
}

/** Pairs of points within reach of each other, the nearest first. */
function nearPairs(points: readonly Point[], reachMm: number): (readonly [number, number])[] {
  const cells = new Map<string, number[]>();
  const keyOf = (column: number, row: number) => `${column},${row}`;
  const pairs: { a: number; b: number; apart: number }[] = [];
  points.forEach((point, index) => {
    const [column, row] = [Math.floor(point.x / reachMm), Math.floor(point.y / reachMm)];
    let found = 0;
    for (let dx = -1; dx <= 1; dx++)
      for (let dy = -1; dy <= 1; dy++)
        for (const other of cells.get(keyOf(column + dx, row + dy)) ?? []) {
          if (found > MOST_PAIRS) break;
          const apart = distance(itemAt(points, other), point);
          if (apart > reachMm) continue;
          pairs.push({ a: other, b: index, apart });
          found += 1;
        }
    const key = keyOf(column, row);
    const cell = cells.get(key);
    if (!cell) cells.set(key, [index]);
    else if (cell.length <= MOST_PAIRS) cell.push(index);
  });
  return pairs.sort((p, q) => p.apart - q.apart || p.a - q.a || p.b - q.b).map(({ a, b }) => [a, b]);
}

class Clusters {
  private readonly clusterOf: number[];
  private readonly members: (number[] | undefined)[];

  constructor(
    private readonly drawn: readonly Point[],
    private readonly patchOf: readonly number[],
    private readonly reach: readonly number[],
  ) {
    // What lies on the very same spot is one place from the start, however many there are.
    const { numbers, places } = clusterPoints(drawn, SAME_SPOT_MM);
    this.members = places.map(() => []);
    this.clusterOf = [...numbers];
    this.clusterOf.forEach((cluster, corner) => this.members[cluster]?.push(corner));
    this.partSamePatch();
  }

  /** Two corners of one patch are never one place, even where they were drawn on one spot. */
  private partSamePatch(): void {
    for (const own of [...this.members]) {
      if (!own || own.length < 2) continue;
      const seen = new Set<number>();
      for (const corner of [...own]) {
        const patch = itemAt(this.patchOf, corner);
        if (!seen.has(patch)) {
          seen.add(patch);
          continue;
        }
        own.splice(own.indexOf(corner), 1);
        this.clusterOf[corner] = this.members.length;
        this.members.push([corner]);
      }
    }
  }

  tryJoin(a: number, b: number): void {
    const [p, q] = [itemAt(this.clusterOf, a), itemAt(this.clusterOf, b)];
    if (p === q) return;
    const [few, many] = [itemAt(this.members, p), itemAt(this.members, q)].sort((x, y) => x.length - y.length) as [number[], number[]]; // prettier-ignore
    if (many.length > MOST_PAIRS || !this.belong(few, many)) return;
    const into = itemAt(this.clusterOf, itemAt(many, 0));
    const from = itemAt(this.clusterOf, itemAt(few, 0));
    for (const corner of few) this.clusterOf[corner] = into;
    many.push(...few);
    this.members[from] = undefined;
  }

  private belong(few: readonly number[], many: readonly number[]): boolean {
    return few.every((a) =>
      many.every((b) => {
        if (this.patchOf[a] === this.patchOf[b]) return false;
        const most = Math.min(itemAt(this.reach, a), itemAt(this.reach, b));
        return distance(itemAt(this.drawn, a), itemAt(this.drawn, b)) <= most;
      }),
    );
  }

  places(): Pick<Corners, 'placeOf' | 'places' | 'placeReach'> {
    const placeOf = new Array<number>(this.drawn.length);
    const [places, placeReach] = [[], []] as [Point[], number[]];
    for (const own of this.members) {
      if (!own || own.length === 0) continue;
      for (const corner of own) placeOf[corner] = places.length;
      const sum = own.reduce(
        (total, corner) => {
          const { x, y } = itemAt(this.drawn, corner);
          return { x: total.x + x, y: total.y + y };
        },
        { x: 0, y: 0 },
      );
      places.push({ x: sum.x / own.length, y: sum.y / own.length });
      placeReach.push(Math.min(...own.map((corner) => itemAt(this.reach, corner))));
    }
    return { placeOf, places, placeReach };
  }
}

/** Corners nearer than this were drawn on one spot, mm. */
const SAME_SPOT_MM = 1e-6;
