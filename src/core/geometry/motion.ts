import { itemAt } from '../lists';
import { directionAt, edgeLength, type Edge } from './edge';
import { boxOf } from './boundingBox';
import { mirrored, toPolygon, type Outline } from './outline';
import { perOutline } from './perOutline';
import { distance, toRadians, type Point } from './point';

/** A rigid motion: first turned over left to right when it is a reflection, then turned, then moved. */
export interface Motion {
  readonly isReflection: boolean;
  readonly cos: number;
  readonly sin: number;
  /** Where the origin goes, mm. */
  readonly x: number;
  readonly y: number;
}

/** Leaves everything where it is. */
export const STAY: Motion = { isReflection: false, cos: 1, sin: 0, x: 0, y: 0 };

/** Moves by mm to the right and down. */
export function shiftBy(x: number, y: number): Motion {
  return { ...STAY, x, y };
}

/** Turns clockwise on screen by `degrees` about a point. */
export function turnAbout(centre: Point, degrees: number): Motion {
  const [cos, sin] = exactTurn(degrees);
  return {
    isReflection: false,
    cos,
    sin,
    x: centre.x - (centre.x * cos - centre.y * sin),
    y: centre.y - (centre.x * sin + centre.y * cos),
  };
}

/** Reflects in the line through a point at `degrees` (0 lies to the right, clockwise on screen). */
export function reflectIn(point: Point, degrees: number): Motion {
  // x → −x followed by a turn of 2α − 180° is the reflection in the line at α.
  const [cos, sin] = exactTurn(2 * degrees - 180);
  const image = { x: -point.x * cos - point.y * sin, y: -point.x * sin + point.y * cos };
  return { isReflection: true, cos, sin, x: point.x - image.x, y: point.y - image.y };
}

/** Multiples of 90° come out exact, so that a square turned four times is the same square. */
function exactTurn(degrees: number): [number, number] {
  const quarter = ((degrees % 360) + 360) % 360;
  if (quarter % 90 === 0) return [[1, 0], [0, 1], [-1, 0], [0, -1]][quarter / 90] as [number, number]; // prettier-ignore
  const angle = toRadians(degrees);
  return [Math.cos(angle), Math.sin(angle)];
}

/**
 * The motion, without turning over, that brings points as near to their places as can be: least squares, after Procrustes.
 * One pair is only moved.
 */
export function bestMotion(from: readonly Point[], to: readonly Point[]): Motion {
  return bestFit(from, to).motion;
}

/**
 * {@link bestMotion} and how much of the points' spread it brings together, mm²: of several ways to pair the same points, the
 * one with more leaves less.
 * @param shift point i + shift, round the list, belongs to place i
 */
export function bestFit(
  from: readonly Point[],
  to: readonly Point[],
  shift = 0,
): { readonly motion: Motion; readonly together: number } {
  const [c, d] = [meanOf(from), meanOf(to)];
  let [dot, cross] = [0, 0];
  to.forEach((place, i) => {
    const { x, y } = itemAt(from, (i + shift) % from.length);
    const [px, py, qx, qy] = [x - c.x, y - c.y, place.x - d.x, place.y - d.y];
    dot += px * qx + py * qy;
    cross += px * qy - py * qx;
  });
  const together = Math.hypot(dot, cross);
  const [cos, sin] = together < 1e-9 ? [1, 0] : [dot / together, cross / together];
  const [x, y] = [d.x - (c.x * cos - c.y * sin), d.y - (c.x * sin + c.y * cos)];
  return { motion: { isReflection: false, cos, sin, x, y }, together };
}

function meanOf(points: readonly Point[]): Point {
  const sum = points.reduce((total, { x, y }) => ({ x: total.x + x, y: total.y + y }), { x: 0, y: 0 });
  return { x: sum.x / points.length, y: sum.y / points.length };
}

/**
 * Lays a side of one outline on a side of a neighbour, the two running opposite ways: start on end, or, with
 * `atEnd`, end on start where their lengths differ.
 */
export function layAgainst(own: Edge, neighbour: Edge, atEnd = false): Motion {
  const [from, to] = [chord(own), chord({ a: neighbour.b, b: neighbour.a, bulge: 0 })];
  const cos = from.x * to.x + from.y * to.y;
  const sin = from.x * to.y - from.y * to.x;
  const length = Math.hypot(cos, sin);
  const turn = { isReflection: false, cos: cos / length, sin: sin / length, x: 0, y: 0 };
  const [grip, target] = atEnd ? [own.b, neighbour.a] : [own.a, neighbour.b];
  const at = movePoint(turn, grip);
  return { ...turn, x: target.x - at.x, y: target.y - at.y };
}

function chord({ a, b }: Edge): Point {
  return { x: b.x - a.x, y: b.y - a.y };
}

/** First `first`, then `second`. */
export function compose(second: Motion, first: Motion): Motion {
  const at = movePoint(second, { x: first.x, y: first.y });
  // A reflection turns what was turned before it the other way round.
  const sin = second.isReflection ? -first.sin : first.sin;
  return {
    isReflection: first.isReflection !== second.isReflection,
    cos: second.cos * first.cos - second.sin * sin,
    sin: second.sin * first.cos + second.cos * sin,
    x: at.x,
    y: at.y,
  };
}

/** Where a point goes. */
export function movePoint({ isReflection, cos, sin, x, y }: Motion, point: Point): Point {
  const px = isReflection ? -point.x : point.x;
  return { x: px * cos - point.y * sin + x, y: px * sin + point.y * cos + y };
}

/**
 * Where an outline goes; it stays clockwise. A reflection renumbers its sides: side i becomes side n − 1 − i, and
 * corner 0 stays corner 0.
 */
export function moveOutline(motion: Motion, outline: Outline): Outline {
  const own = motion.isReflection ? mirrored(outline) : outline;
  const turn = { ...motion, isReflection: false };
  return { corners: own.corners.map((corner) => movePoint(turn, corner)), bulges: own.bulges };
}

/** Degrees by which a motion turns, clockwise on screen, above −180 up to 180. */
export function turnOf({ cos, sin }: Motion): number {
  return (Math.atan2(sin, cos) * 180) / Math.PI;
}

/** The middle of an outline's box: what it is turned about. */
export function middleOfBox(outline: Outline): Point {
  const { minX, minY, maxX, maxY } = boxOf(outline);
  return { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
}

/** The centroid of the corners of an outline. */
export function middleOfCorners({ corners }: Outline): Point {
  const sum = corners.reduce((total, { x, y }) => ({ x: total.x + x, y: total.y + y }), { x: 0, y: 0 });
  return { x: sum.x / corners.length, y: sum.y / corners.length };
}

/** The centroid of the area of an outline, mm; of one that encloses nothing the middle of its box. */
export const centroidOf = perOutline((outline): Point => {
  const points = toPolygon(outline, 0.1);
  const origin = itemAt(points, 0);
  let [twice, sx, sy] = [0, 0, 0];
  points.forEach((one, i) => {
    const other = itemAt(points, (i + 1) % points.length);
    const [ax, ay] = [one.x - origin.x, one.y - origin.y];
    const [bx, by] = [other.x - origin.x, other.y - origin.y];
    const cross = ax * by - bx * ay;
    twice += cross;
    sx += (ax + bx) * cross;
    sy += (ay + by) * cross;
  });
  if (Math.abs(twice) < 1e-6) return middleOfBox(outline);
  return { x: origin.x + sx / (3 * twice), y: origin.y + sy / (3 * twice) };
});

/** Whether two outlines are the same in the same place, whichever corner they begin at. */
export function isSamePlace(a: Outline, b: Outline, within: number): boolean {
  const count = a.corners.length;
  if (count !== b.corners.length) return false;
  return a.corners.some((_, shift) =>
    a.corners.every((corner, i) => {
      const j = (i + shift) % count;
      const isClose = distance(corner, itemAt(b.corners, j)) <= within;
      return isClose && Math.abs(itemAt(a.bulges, i) - itemAt(b.bulges, j)) < 0.01;
    }),
  );
}

/** Unit vector out of the patch, at the middle of a side. */
export function outwardAt(edge: Edge): Point {
  const along = directionAt(edge, edgeLength(edge) / 2);
  return { x: along.y, y: -along.x };
}

/** Whether a point lies inside a polygon (even–odd rule; the rim may count either way). */
export function isInside(point: Point, polygon: readonly Point[]): boolean {
  let inside = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const [a, b] = [itemAt(polygon, i), itemAt(polygon, j)];
    const crosses = a.y > point.y !== b.y > point.y;
    if (crosses && point.x < ((b.x - a.x) * (point.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  }
  return inside;
}
