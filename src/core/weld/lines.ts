import { itemAt, knownOf } from '../lists';
import {
  circleOf,
  distance,
  isStraight,
  partOf,
  pointAt,
  sweepOf,
  toDegrees,
  type Circle,
  type Point,
} from '../geometry';
import { fitLine } from './fit';
import type { WeldSide } from './sides';

/** Sides that run together, or on in one line: their places are put on one line or one circle. */
export type Course =
  | { readonly kind: 'line'; readonly places: readonly number[]; readonly sides: readonly number[] }
  | {
      readonly kind: 'circle';
      readonly places: readonly number[];
      readonly sides: readonly number[];
      /** Points of the arcs as they were drawn; they keep the circle where its places alone would not say it. */
      readonly drawn: readonly Point[];
    };

/** Places of one straight line lie off it by no more than this share of the reach. */
const OFF_SHARE = 0.5;
/** At a short side a line may turn by less: no more than this share of the side's length counts as reach. */
const SHARE_OF_SHORT_SIDE = 1 / 7;
/** Directions that differ by more are never one line, degrees. */
const MOST_TURN_DEG = 20;
/** Of long lines so many places are looked at before another piece is added. */
const LOOKED_AT = 200;
/** A corner in a run of corners that turn the same way, all by less than this, belongs to a drawn curve, degrees. */
const CURVE_TURN_DEG = 30;
/** Sides of such a run are no longer than this, mm. */
const CURVE_SIDE_MM = 4;

/**
 * Groups sides into courses. Sides that share a stretch belong together; straight sides that meet end to end do where all
 * their places still lie on one line within reach; arcs where they lie on one circle.
 * @returns courses, and for each side the number of its course
 */
export function findCourses(
  sides: readonly WeldSide[],
  places: readonly Point[],
  reachMm: number,
): { courses: Course[]; courseOf: Int32Array } {
  const groups = new Groups(sides, places, reachMm);
  groups.joinSharedStretches();
  groups.joinOnwards();
  return groups.courses();
}

class Groups {
  private readonly parent: Int32Array;
  private readonly placesOf: (Set<number> | undefined)[];
  private readonly tolerance: Float64Array;

  constructor(
    private readonly sides: readonly WeldSide[],
    private readonly places: readonly Point[],
    private readonly reachMm: number,
  ) {
    this.parent = Int32Array.from(sides, (_, i) => i);
    this.placesOf = sides.map(({ places: own }) => new Set(own));
    this.tolerance = Float64Array.from(sides, ({ lengthMm }) =>
      Math.min(reachMm, lengthMm * SHARE_OF_SHORT_SIDE),
    );
  }

  private find(side: number): number {
    let root = side;
    while (this.parent[root] !== root) root = itemAt(this.parent, root);
    while (this.parent[side] !== root) [this.parent[side], side] = [root, itemAt(this.parent, side)];
    return root;
  }

  private join(a: number, b: number): void {
    const [p, q] = [this.find(a), this.find(b)];
    if (p === q) return;
    const [own, other] = [itemAt(this.placesOf, p), itemAt(this.placesOf, q)];
    const [few, many, from, into] = own.size < other.size ? [own, other, p, q] : [other, own, q, p];
    for (const place of few) many.add(place);
    this.parent[from] = into;
    this.placesOf[from] = undefined;
    this.tolerance[into] = Math.min(itemAt(this.tolerance, into), itemAt(this.tolerance, from));
  }

  /** Sides with a stretch in common, from place to place, are one course where their curves agree. */
  joinSharedStretches(): void {
    const byStretch = new Map<string, { side: number; bow: number }[]>();
    this.sides.forEach(({ places: own, alongs, edge }, side) => {
      for (let i = 0; i + 1 < own.length; i++) {
        const [u, v] = [itemAt(own, i), itemAt(own, i + 1)];
        if (u === v) continue;
        const bow = bowOf(edge, itemAt(alongs, i), itemAt(alongs, i + 1)) * (u < v ? 1 : -1);
        const key = u < v ? `${u},${v}` : `${v},${u}`;
        const list = byStretch.get(key) ?? [];
        const twin = list.find((other) => this.isSameCurve(other, { side, bow }));
        if (twin) this.join(twin.side, side);
        else byStretch.set(key, [...list, { side, bow }]);
      }
    });
  }

  private isSameCurve(a: { side: number; bow: number }, b: { side: number; bow: number }): boolean {
    const isAlike = this.isLine(a.side) === this.isLine(b.side);
    return isAlike && Math.abs(a.bow - b.bow) <= 2 * this.reachMm;
  }

  private isLine(side: number): boolean {
    return isStraight(itemAt(this.sides, side).edge);
  }

  /** Sides that meet end to end in one direction, the straightest first. */
  joinOnwards(): void {
    const ends = this.endsAtPlaces();
    const pairs: { a: number; b: number; turn: number }[] = [];
    for (const list of ends.values()) {
      list.forEach((one, i) => {
        for (const other of list.slice(i + 1)) {
          if (this.isLine(one.side) !== this.isLine(other.side)) continue;
          const turn = 180 - Math.abs(angleBetween(one.out, other.out));
          if (turn <= MOST_TURN_DEG) pairs.push({ a: one.side, b: other.side, turn });
        }
      });
    }
    pairs.sort((p, q) => p.turn - q.turn || p.a - q.a || p.b - q.b);
    for (const { a, b } of pairs) {
      if (this.find(a) === this.find(b)) continue;
      const goesOn = this.isLine(a) ? this.isOneLine(a, b) : this.isOneCircle(a, b);
      if (goesOn) this.join(a, b);
    }
  }

  /** For each place the stretches that leave it; of stretches drawn for both patches only one. */
  private endsAtPlaces(): Map<number, { side: number; out: Point }[]> {
    const ends = new Map<number, { side: number; out: Point }[]>();
    const seen = new Set<string>();
    this.sides.forEach((side, index) => {
      const { places: own, alongs } = side;
      for (let i = 0; i + 1 < own.length; i++) {
        const [u, v] = [itemAt(own, i), itemAt(own, i + 1)];
        const key = `${Math.min(u, v)},${Math.max(u, v)},${this.find(index)}`;
        if (u === v || seen.has(key)) continue;
        seen.add(key);
        const stretch = partOf(side.edge, itemAt(alongs, i), itemAt(alongs, i + 1));
        const [from, to] = this.isLine(index)
          ? [itemAt(this.places, u), itemAt(this.places, v)]
          : [stretch.a, stretch.b];
        const half = this.isLine(index) ? 0 : sweepOf(stretch) / 2;
        const heading = Math.atan2(to.y - from.y, to.x - from.x);
        push(ends, u, { side: index, out: unit(heading - half) });
        push(ends, v, { side: index, out: unit(heading + half + Math.PI) });
      }
    });
    for (const [place, list] of ends) if (list.length > MOST_ENDS) ends.delete(place);
    return ends;
  }

  private isOneLine(a: number, b: number): boolean {
    const [p, q] = [this.find(a), this.find(b)];
    const all = [...new Set([...itemAt(this.placesOf, p), ...itemAt(this.placesOf, q)])];
    const step = Math.ceil(all.length / LOOKED_AT);
    const points = all.filter((_, i) => i % step === 0).map((place) => itemAt(this.places, place));
    if (this.isDrawnCurve(a, b)) return false;
    const most = OFF_SHARE * Math.min(itemAt(this.tolerance, p), itemAt(this.tolerance, q));
    const line = fitLine(points);
    return points.every((point) => Math.abs(line.offOf(point)) <= most);
  }

  /** Whether two sides of one patch meet in a corner of a curve that was drawn as many short sides. */
  private isDrawnCurve(a: number, b: number): boolean {
    const [one, other] = [itemAt(this.sides, a), itemAt(this.sides, b)];
    if (one.patch !== other.patch || Math.max(one.lengthMm, other.lengthMm) > CURVE_SIDE_MM) return false;
    const count = this.sidesOf(one.patch);
    const [first, second] = (one.side + 1) % count === other.side ? [a, b] : [b, a];
    const start = first - itemAt(this.sides, first).side;
    const at = (side: number) => itemAt(this.sides, start + ((side + count) % count));
    const index = itemAt(this.sides, first).side;
    const turns = [index - 1, index, index + 1].map((side) => angleBetween(chord(at(side)), chord(at(side + 1)))); // prettier-ignore
    const isOneWay = turns.every((turn) => turn > 0) || turns.every((turn) => turn < 0);
    return second >= 0 && isOneWay && turns.every((turn) => Math.abs(turn) < CURVE_TURN_DEG);
  }

  private sidesOf(patch: number): number {
    this.counts ??= countSides(this.sides);
    return knownOf(this.counts, patch);
  }
  private counts: Map<number, number> | undefined;

  private isOneCircle(a: number, b: number): boolean {
    const circles = [a, b].map((side) => circleOf(itemAt(this.sides, side).edge)) as [Circle, Circle];
    const reach = 2 * this.reachMm;
    return (
      distance(circles[0].centre, circles[1].centre) <= reach &&
      Math.abs(circles[0].radius - circles[1].radius) <= reach
    );
  }

  courses(): { courses: Course[]; courseOf: Int32Array } {
    const numbers = new Map<number, number>();
    const sidesOf: number[][] = [];
    const courseOf = Int32Array.from(this.sides, (_, side) => {
      const root = this.find(side);
      const number = numbers.get(root) ?? sidesOf.length;
      if (number === sidesOf.length) sidesOf.push([]);
      numbers.set(root, number);
      sidesOf[number]?.push(side);
      return number;
    });
    const courses = [...numbers.keys()].map((root, number): Course => {
      const places = [...itemAt(this.placesOf, root)];
      const sides = itemAt(sidesOf, number);
      if (this.isLine(root)) return { kind: 'line', places, sides };
      return {
        kind: 'circle',
        places,
        sides,
        drawn: sides.flatMap((side) => samples(itemAt(this.sides, side))),
      };
    });
    return { courses, courseOf };
  }
}

/** More stretches than this leave no real place. */
const MOST_ENDS = 64;

function countSides(sides: readonly WeldSide[]): Map<number, number> {
  const counts = new Map<number, number>();
  for (const { patch } of sides) counts.set(patch, (counts.get(patch) ?? 0) + 1);
  return counts;
}

function push<K, V>(lists: Map<K, V[]>, key: K, value: V): void {
  const list = lists.get(key);
  if (list) list.push(value);
  else lists.set(key, [value]);
}

function unit(angle: number): Point {
  return { x: Math.cos(angle), y: Math.sin(angle) };
}

function chord({ edge: { a, b } }: WeldSide): Point {
  return { x: b.x - a.x, y: b.y - a.y };
}

/** Turn from one direction to another, degrees, −180 to 180. */
function angleBetween(a: Point, b: Point): number {
  return toDegrees(Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y));
}

/** How far the middle of a stretch of a side bows off its chord, mm; above zero to the left of the way. */
function bowOf(edge: WeldSide['edge'], from: number, to: number): number {
  if (isStraight(edge)) return 0;
  const part = partOf(edge, from, to);
  return (part.bulge * distance(part.a, part.b)) / 2;
}

/** Shares of an arc at which it is sampled. */
const SAMPLED = [0.1, 0.3, 0.5, 0.7, 0.9] as const;

function samples({ edge, lengthMm }: WeldSide): Point[] {
  return SAMPLED.map((share) => pointAt(edge, lengthMm * share));
}
