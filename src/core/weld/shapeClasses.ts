import { itemAt } from '../lists';
import { bestFit, distance, movePoint, type Outline, type Point } from '../geometry';

/** A patch as the weld sees it: its places round it and how its sides bow. */
export interface Ring {
  readonly patch: number;
  /** Places of its corners, clockwise. */
  readonly places: readonly number[];
  /** Number of the drawn side that begins at each corner. */
  readonly sides: readonly number[];
  /** How far each side bows out of the patch, mm. */
  readonly bows: readonly number[];
}

/** How a ring lies on the model of its class. */
export interface Membership {
  readonly ring: number;
  /** For each corner of the model the corner of the ring. */
  readonly order: readonly number[];
  readonly isMirrored: boolean;
}

/** Patches that are the same paper within reach. */
export interface ShapeClass {
  /** Their mean; later the exact paper that they stand for. */
  model: Outline;
  readonly members: Membership[];
  /** Root mean square of how far the members' corners lie off the model, mm. */
  spreadMm: number;
}

/** Outlines with more corners are not compared: every paper of its own. */
const MOST_CORNERS = 24;
/** Classes are looked up by perimeter in drawers this wide, mm. */
const DRAWER_MM = 8;
/** Shapes of fewer corners than this cannot be told by their corners alone. */
const FEWEST_CORNERS = 2;

/**
 * Groups rings into papers of nearly one kind, either way up: corners laid on corners as well as can be lie within reach,
 * and so do the bows of their sides. Each class gets the mean of its members as its model. They are grouped twice: first
 * by the first of each class, then by the means, which are surer.
 * Cost: near-linear; rings of about the same perimeter are compared, corners squared each.
 */
export function classifyShapes(
  rings: readonly Ring[],
  places: readonly Point[],
  reachMm: number,
): ShapeClass[] {
  const first = sortInto([], rings, places, reachMm);
  const largestFirst = [...first].sort((a, b) => b.members.length - a.members.length);
  const models = largestFirst.map(({ model }): ShapeClass => ({ model, members: [], spreadMm: 0 }));
  return sortInto(models, rings, places, reachMm).filter(({ members }) => members.length > 0);
}

/** Puts each ring to the class it lies on best; what lies on none makes a class of its own. */
function sortInto(
  classes: ShapeClass[],
  rings: readonly Ring[],
  places: readonly Point[],
  reachMm: number,
): ShapeClass[] {
  const drawers = new Map<string, ShapeClass[]>();
  const keep = (one: ShapeClass) => {
    const key = drawerOf(one.model.corners.length, perimeter(one.model));
    drawers.set(key(0), [...(drawers.get(key(0)) ?? []), one]);
  };
  classes.forEach(keep);
  rings.forEach((ring, index) => {
    const count = ring.places.length;
    if (count > MOST_CORNERS || count < FEWEST_CORNERS) return;
    const own = outlineOf(ring, places);
    const [key, most] = [drawerOf(count, perimeter(own)), withinReach(own, reachMm)];
    let best: (Laid & { class: ShapeClass }) | undefined;
    for (const one of [0, -1, 1].flatMap((beside) => drawers.get(key(beside)) ?? [])) {
      const found = laidOn(one.model, own, most);
      if (found && (!best || found.off < best.off)) best = { class: one, ...found };
    }
    const order = own.corners.map((_, i) => i);
    if (best) {
      best.class.members.push({ ring: index, order: best.order, isMirrored: best.isMirrored });
      return;
    }
    const fresh = { model: own, members: [{ ring: index, order, isMirrored: false }], spreadMm: 0 };
    classes.push(fresh);
    keep(fresh);
  });
  for (const one of classes) if (one.members.length > 0) takeMean(one, rings, places);
  return classes;
}

/** Key of the drawer for shapes of so many corners and such a perimeter, or of one beside it. */
function drawerOf(corners: number, perimeterMm: number): (beside: number) => string {
  const drawer = Math.round(perimeterMm / DRAWER_MM);
  return (beside) => `${corners}/${drawer + beside}`;
}

/** Corners of the ring in the order of the model, turned over where it lies so. */
export function pointsOf(
  { places: own }: Ring,
  { order, isMirrored }: Membership,
  places: readonly Point[],
): Point[] {
  return inOrder(own.map((place) => itemAt(places, place)), order, isMirrored); // prettier-ignore
}

/** Number of the ring's side that lies on side `i` of the model. */
export function sideOnModel({ order, isMirrored }: Membership, i: number): number {
  return itemAt(order, isMirrored ? (i + 1) % order.length : i);
}

function outlineOf({ places: own, bows }: Ring, places: readonly Point[]): Outline {
  const corners = own.map((place) => itemAt(places, place));
  return { corners, bulges: bows.map((bow, i) => bulgeOf(bow, corners, i)) };
}

function bulgeOf(bow: number, corners: readonly Point[], i: number): number {
  if (bow === 0) return 0;
  const chord = distance(itemAt(corners, i), itemAt(corners, (i + 1) % corners.length));
  return chord < 1e-9 ? 0 : (2 * bow) / chord;
}

function bowOf({ corners, bulges }: Outline, i: number): number {
  const chord = distance(itemAt(corners, i), itemAt(corners, (i + 1) % corners.length));
  return (itemAt(bulges, i) * chord) / 2;
}

function perimeter({ corners }: Outline): number {
  return corners.reduce((sum, p, i) => sum + distance(p, itemAt(corners, (i + 1) % corners.length)), 0);
}

function withinReach(outline: Outline, reachMm: number): number {
  const { corners } = outline;
  return corners.reduce(
    (least, p, i) => Math.min(least, distance(p, itemAt(corners, (i + 1) % corners.length)) / 4 || Infinity),
    reachMm,
  );
}

interface Laid {
  readonly off: number;
  readonly order: number[];
  readonly isMirrored: boolean;
}

/** The best way in which a ring lies on a model, if it does within `most` mm. */
function laidOn(model: Outline, own: Outline, most: number): Laid | undefined {
  // Of ways that fit about as well the first is taken, so that noise does not choose between them.
  return waysToLay(model, own, most).reduce<Laid | undefined>(
    (best, way) => (!best || way.off < best.off - 1e-6 ? way : best),
    undefined,
  );
}

/** An outline made even: the mean of all ways in which it lies on itself within `most` mm, turned and turned over. */
export function madeEven(outline: Outline, most: number): Outline {
  const ways = waysToLay(outline, outline, most);
  if (ways.length < 2) return outline;
  const sums = outline.corners.map(() => ({ x: 0, y: 0, bow: 0 }));
  for (const { order, isMirrored } of ways) {
    const points = inOrder(outline.corners, order, isMirrored);
    const { motion } = bestFit(points, outline.corners);
    sums.forEach((sum, i) => {
      const { x, y } = movePoint(motion, itemAt(points, i));
      sum.x += x;
      sum.y += y;
      sum.bow += bowOf(outline, itemAt(order, isMirrored ? (i + 1) % order.length : i));
    });
  }
  const corners = sums.map(({ x, y }) => ({ x: x / ways.length, y: y / ways.length }));
  return { corners, bulges: sums.map(({ bow }, i) => bulgeOf(bow / ways.length, corners, i)) };
}

function inOrder(corners: readonly Point[], order: readonly number[], isMirrored: boolean): Point[] {
  return order.map((corner) => {
    const { x, y } = itemAt(corners, corner);
    return { x: isMirrored ? -x : x, y };
  });
}

function waysToLay(model: Outline, own: Outline, most: number): Laid[] {
  const count = own.corners.length;
  const ways: Laid[] = [];
  for (const isMirrored of [false, true]) {
    for (let shift = 0; shift < count; shift++) {
      const order = own.corners.map((_, i) => {
        const at = (i + shift) % count;
        return isMirrored ? (count - at) % count : at;
      });
      const bowsFit = order.every((_, i) => {
        const side = itemAt(order, isMirrored ? (i + 1) % count : i);
        return Math.abs(bowOf(own, side) - bowOf(model, i)) <= most;
      });
      if (!bowsFit) continue;
      const points = inOrder(own.corners, order, isMirrored);
      const { motion } = bestFit(model.corners, points);
      let off = 0;
      for (let i = 0; i < count && off <= most; i++)
        off = Math.max(off, distance(movePoint(motion, itemAt(model.corners, i)), itemAt(points, i)));
      if (off <= most) ways.push({ off, order, isMirrored });
    }
  }
  return ways;
}

/** Makes the mean of its members the model of a class, and measures how they spread about it. */
function takeMean(one: ShapeClass, rings: readonly Ring[], places: readonly Point[]): void {
  for (let round = 0; round < 3; round++) {
    const { model, members } = one;
    const sums = model.corners.map(() => ({ x: 0, y: 0, bow: 0 }));
    let squares = 0;
    for (const member of members) {
      const ring = itemAt(rings, member.ring);
      const { motion } = bestFit(pointsOf(ring, member, places), model.corners);
      pointsOf(ring, member, places).forEach((point, i) => {
        const moved = movePoint(motion, point);
        const sum = itemAt(sums, i);
        sum.x += moved.x;
        sum.y += moved.y;
        sum.bow += itemAt(ring.bows, sideOnModel(member, i));
        squares += distance(moved, itemAt(model.corners, i)) ** 2;
      });
    }
    const corners = sums.map(({ x, y }) => ({ x: x / members.length, y: y / members.length }));
    const bulges = sums.map(({ bow }, i) => bulgeOf(bow / members.length, corners, i));
    one.model = { corners, bulges };
    one.spreadMm = Math.sqrt(squares / (members.length * corners.length));
  }
}
