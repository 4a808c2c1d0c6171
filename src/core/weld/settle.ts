import { itemAt, lastOf } from '../lists';
import {
  bestFit,
  circleOf,
  distance,
  edgeOf,
  edgeLength,
  isStraight,
  middleOfCorners,
  movePoint,
  pointAt,
  toDegrees,
  turnAbout,
  type Circle,
  type Point,
} from '../geometry';
import { fitCircle, fitLine } from './fit';
import type { Course } from './lines';
import { pointsOf, sideOnModel, type Membership, type Ring, type ShapeClass } from './shapeClasses';
import type { WeldSide } from './sides';

/** What the places of a drawing should satisfy. */
export interface Wanted {
  readonly places: readonly Point[];
  readonly courses: readonly Course[];
  readonly courseOf: Int32Array;
  readonly sides: readonly WeldSide[];
  readonly rings: readonly Ring[];
  readonly classes: readonly ShapeClass[];
}

/** Where everything came to lie. */
export interface Settled {
  readonly places: readonly Point[];
  /** The circle of each course that is one. */
  readonly circles: ReadonlyMap<number, Circle>;
}

/** Rounds until all lies still, at most. */
const MOST_ROUNDS = 400;
/** Large drawings take fewer: so many corners moved in all, but never fewer rounds than this. */
const MOST_CORNERS_MOVED = 2e6;
const LEAST_ROUNDS = 60;
/** All lies still when nothing moves further in a round, mm. */
const STILL_MM = 1e-5;
/** How much a place holds on to where it was drawn, against one wish that it should follow. */
const HOLD = 1e-4;
/** Steps are taken further than asked, which brings large drawings to rest in fewer rounds. */
const OVER = 1.6;
/** A line's wish counts as so many papers' wishes. */
const LINE_WEIGHT = 2;

/**
 * Moves places until lines are straight, arcs lie on common circles and alike papers are alike, as little as that takes:
 * every wish says where it would have its places, each place goes to the middle of what is wished for it
 * (projections, after Bouaziz, Deuss, Schwartzburg, Weise and Pauly, 2012).
 * Cost: rounds × corners.
 */
export function settle(wanted: Wanted): Settled {
  const { places: drawn, courses, rings, classes } = wanted;
  let places = drawn.map(({ x, y }) => ({ x, y }));
  const circles = new Map<number, Circle>();
  const members = classes.flatMap((one) =>
    one.members.map((member) => ({ one, member, ring: itemAt(rings, member.ring) })),
  );
  const rounds = Math.min(
    MOST_ROUNDS,
    Math.max(LEAST_ROUNDS, MOST_CORNERS_MOVED / Math.max(1, drawn.length)),
  );
  for (let round = 0; round < rounds; round++) {
    const wishes = new Wishes(drawn);
    const arcs = new Map<number, Point[]>();
    for (const { one, member, ring } of members) wishShape(wanted, one, member, ring, places, wishes, arcs);
    courses.forEach((course, number) => {
      if (course.kind === 'circle')
        wishCircle(wanted, course, number, places, arcs.get(number), circles, wishes);
      else if (course.places.length > 2) wishLine(course.places, places, wishes);
    });
    const next = wishes.middles(places);
    const most = next.reduce((far, point, i) => Math.max(far, distance(point, itemAt(places, i))), 0);
    places = next;
    if (most < STILL_MM) break;
  }
  return levelled(wanted, straightened(courses, places, circles), circles);
}

/** Sides of most drawings run at multiples of this many degrees. */
const COMMON_TURN_DEG = 15;
/** A drawing whose sides all run so, but for a turn of the whole by less than this, is turned upright, degrees. */
const MOST_TILT_DEG = 0.3;
/** All sides agree when they differ by no more than this, degrees. */
const AGREED_DEG = 0.05;
/** Shorter sides say nothing of a tilt, mm. */
const LEAST_SAYING_MM = 3;

/** Turns the whole upright by the little by which settling tilted it, where its sides run at common angles. */
function levelled(
  { sides }: Wanted,
  places: readonly Point[],
  circles: ReadonlyMap<number, Circle>,
): Settled {
  const tilts = sides.flatMap(({ places: own, edge, lengthMm }) => {
    if (!isStraight(edge) || lengthMm < LEAST_SAYING_MM) return [];
    const [a, b] = [itemAt(places, itemAt(own, 0)), itemAt(places, lastOf(own))];
    const heading = toDegrees(Math.atan2(b.y - a.y, b.x - a.x));
    return [{ tilt: heading - Math.round(heading / COMMON_TURN_DEG) * COMMON_TURN_DEG, weight: lengthMm }];
  });
  const weight = tilts.reduce((sum, one) => sum + one.weight, 0);
  const tilt = tilts.reduce((sum, one) => sum + one.tilt * one.weight, 0) / (weight || 1);
  const agrees = tilts.length > 0 && tilts.every((one) => Math.abs(one.tilt - tilt) <= AGREED_DEG);
  if (!agrees || Math.abs(tilt) > MOST_TILT_DEG) return { places, circles };
  const middle = middleOfCorners({ corners: places, bulges: [] });
  const back = turnAbout(middle, -tilt);
  const turned = [...circles].map(([course, { centre, radius }]) => [course, { centre: movePoint(back, centre), radius }] as const); // prettier-ignore
  return { places: places.map((point) => movePoint(back, point)), circles: new Map(turned) };
}

/** Sums of where each place is wished to be. */
class Wishes {
  private readonly x: Float64Array;
  private readonly y: Float64Array;
  private readonly weight: Float64Array;

  constructor(private readonly drawn: readonly Point[]) {
    this.x = new Float64Array(drawn.length);
    this.y = new Float64Array(drawn.length);
    this.weight = new Float64Array(drawn.length);
  }

  wish(place: number, x: number, y: number, weight = 1): void {
    this.x[place] = itemAt(this.x, place) + x * weight;
    this.y[place] = itemAt(this.y, place) + y * weight;
    this.weight[place] = itemAt(this.weight, place) + weight;
  }

  middles(places: readonly Point[]): Point[] {
    return places.map((now, place) => {
      const { x, y } = itemAt(this.drawn, place);
      const weight = itemAt(this.weight, place);
      if (weight === 0) return now;
      const hold = HOLD * weight;
      const target = {
        x: (itemAt(this.x, place) + x * hold) / (weight + hold),
        y: (itemAt(this.y, place) + y * hold) / (weight + hold),
      };
      return { x: now.x + OVER * (target.x - now.x), y: now.y + OVER * (target.y - now.y) };
    });
  }
}

function wishLine(own: readonly number[], places: readonly Point[], wishes: Wishes): void {
  const line = fitLine(own.map((place) => itemAt(places, place)));
  for (const place of own) {
    const point = itemAt(places, place);
    const off = line.offOf(point);
    wishes.wish(place, point.x + off * line.along.y, point.y - off * line.along.x, LINE_WEIGHT);
  }
}

function wishCircle(
  { sides }: Wanted,
  course: Extract<Course, { kind: 'circle' }>,
  number: number,
  places: readonly Point[],
  arcs: readonly Point[] | undefined,
  circles: Map<number, Circle>,
  wishes: Wishes,
): void {
  const near = circles.get(number) ?? circleOf(itemAt(sides, itemAt(course.sides, 0)).edge);
  const own = course.places.map((place) => itemAt(places, place));
  const circle = fitCircle([...own, ...(arcs ?? course.drawn)], near);
  circles.set(number, circle);
  for (const place of course.places) {
    const on = onCircle(circle, itemAt(places, place));
    wishes.wish(place, on.x, on.y, LINE_WEIGHT);
  }
}

function onCircle({ centre, radius }: Circle, { x, y }: Point): Point {
  const away = Math.hypot(x - centre.x, y - centre.y) || 1;
  return {
    x: centre.x + ((x - centre.x) * radius) / away,
    y: centre.y + ((y - centre.y) * radius) / away,
  };
}

/** Shares of an arc's length at which a model's arc speaks for its circle. */
const SPEAKING = [0.15, 0.5, 0.85] as const;

function wishShape(
  { sides, courseOf }: Wanted,
  { model }: ShapeClass,
  member: Membership,
  ring: Ring,
  places: readonly Point[],
  wishes: Wishes,
  arcs: Map<number, Point[]>,
): void {
  const { motion } = bestFit(model.corners, pointsOf(ring, member, places));
  const back = (point: Point) => {
    const moved = movePoint(motion, point);
    return member.isMirrored ? { x: -moved.x, y: moved.y } : moved;
  };
  model.corners.forEach((corner, i) => {
    const { x, y } = back(corner);
    wishes.wish(itemAt(ring.places, itemAt(member.order, i)), x, y);
    const edge = edgeOf(model, i);
    if (isStraight(edge)) return;
    const side = itemAt(ring.sides, sideOnModel(member, i));
    const course = itemAt(courseOf, side);
    if (sides[side] === undefined) return;
    const list = arcs.get(course) ?? [];
    for (const share of SPEAKING) list.push(back(pointAt(edge, edgeLength(edge) * share)));
    arcs.set(course, list);
  });
}

/** Puts every place exactly on its lines: those on two lines where they cross, those on one straight across. */
function straightened(
  courses: readonly Course[],
  places: readonly Point[],
  circles: ReadonlyMap<number, Circle>,
): Point[] {
  const lines = courses.map((course) =>
    course.kind === 'line' && course.places.length > 2
      ? fitLine(course.places.map((place) => itemAt(places, place)))
      : undefined,
  );
  const linesAt = places.map((): number[] => []);
  const circlesAt = places.map((): number[] => []);
  courses.forEach(({ kind, places: own }, number) => {
    if (kind === 'circle') for (const place of own) circlesAt[place]?.push(number);
    else if (lines[number]) for (const place of own) linesAt[place]?.push(number);
  });
  return places.map((point, place) => {
    const [first, second] = itemAt(linesAt, place).map((number) => itemAt(lines, number)); // prettier-ignore
    if (first && second) return crossing(first, second) ?? point;
    if (first && circlesAt[place]?.length === 0) {
      const off = first.offOf(point);
      return { x: point.x + off * first.along.y, y: point.y - off * first.along.x };
    }
    const circle = circles.get(circlesAt[place]?.[0] ?? -1);
    return circle && !first && circlesAt[place]?.length === 1 ? onCircle(circle, point) : point;
  });
}

function crossing(a: ReturnType<typeof fitLine>, b: ReturnType<typeof fitLine>): Point | undefined {
  const cross = a.along.x * b.along.y - a.along.y * b.along.x;
  if (Math.abs(cross) < 0.05) return undefined;
  const [dx, dy] = [b.middle.x - a.middle.x, b.middle.y - a.middle.y];
  const share = (dx * b.along.y - dy * b.along.x) / cross;
  return { x: a.middle.x + a.along.x * share, y: a.middle.y + a.along.y * share };
}
