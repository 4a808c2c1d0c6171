import { itemAt } from '../lists';
import Flatbush from 'flatbush';
import {
  SAME_POINT_MM,
  boxOfPoints,
  clusterPoints,
  directionAt,
  edgesOf,
  flatten,
  isStraight,
  locate,
  pointAt,
  sideLengths,
  type Box,
  type Edge,
  type Point,
} from '../geometry';
import type { Patch } from './patch';

/** Two boundaries share a seam only where they coincide for more than this, mm. */
export const LEAST_SEAM_MM = 1;

/** All sides of all patches in one list, with the numbers that tie them together. */
export interface Sides {
  readonly edges: readonly Edge[];
  readonly lengths: Float64Array;
  /** Patch of each side. */
  readonly patchOf: Int32Array;
  /** First side of each patch, and one more entry for the end. */
  readonly firstOf: Int32Array;
  /** Place number of the corner where each side starts. */
  readonly startPlace: Int32Array;
  /** The places, by number. */
  readonly places: readonly Point[];
  readonly index: Flatbush;
  /** Upright box of each side: minX, minY, maxX, maxY, mm. */
  readonly boxes: Float64Array;
  /** Unit direction of each straight side, x and y; 0, 0 for curves. */
  readonly directions: Float64Array;
}

/** Where two sides lie on each other, from the view of `side`; `other` runs the opposite way. */
export interface Contact {
  readonly side: number;
  readonly other: number;
  /** mm from the start of `side`. */
  readonly from: number;
  readonly to: number;
  /** Places at `from` and `to`. */
  readonly fromPlace: number;
  readonly toPlace: number;
}

/** Lists the sides of patches and indexes them in space. */
export function listSides(patches: readonly Patch[]): Sides {
  const edges = patches.flatMap(({ outline }) => edgesOf(outline));
  const firstOf = new Int32Array(patches.length + 1);
  const patchOf = new Int32Array(edges.length);
  patches.forEach(({ outline }, patch) => {
    const first = itemAt(firstOf, patch);
    firstOf[patch + 1] = first + outline.corners.length;
    patchOf.fill(patch, first, firstOf[patch + 1]);
  });
  const { numbers, places } = clusterPoints(edges.map(({ a }) => a));
  const index = new Flatbush(Math.max(1, edges.length));
  const lengths = Float64Array.from(patches.flatMap(({ outline }) => sideLengths(outline)));
  const boxes = new Float64Array(edges.length * 4);
  const directions = new Float64Array(edges.length * 2);
  edges.forEach((edge, side) => {
    const { minX, minY, maxX, maxY } = boxOfEdge(edge);
    index.add(minX, minY, maxX, maxY);
    const at = side * 4;
    boxes[at] = minX;
    boxes[at + 1] = minY;
    boxes[at + 2] = maxX;
    boxes[at + 3] = maxY;
    const length = itemAt(lengths, side);
    if (isStraight(edge))
      directions.set([(edge.b.x - edge.a.x) / length, (edge.b.y - edge.a.y) / length], side * 2);
  });
  if (edges.length === 0) index.add(0, 0, 0, 0);
  index.finish();
  return { edges, lengths, patchOf, firstOf, startPlace: numbers, places, index, boxes, directions };
}

function boxOfEdge(edge: Edge): Box {
  if (!isStraight(edge)) return boxOfPoints(flatten(edge, 0.05));
  const { a, b } = edge;
  return {
    minX: Math.min(a.x, b.x),
    minY: Math.min(a.y, b.y),
    maxX: Math.max(a.x, b.x),
    maxY: Math.max(a.y, b.y),
  };
}

/** The side after `side` round the same patch. */
export function nextSide({ firstOf, patchOf }: Sides, side: number): number {
  const patch = itemAt(patchOf, side);
  return side + 1 < itemAt(firstOf, patch + 1) ? side + 1 : itemAt(firstOf, patch);
}

/** Place number of the corner where a side ends. */
export function endPlace(sides: Sides, side: number): number {
  return itemAt(sides.startPlace, nextSide(sides, side));
}

/** Sides of other patches of the same layer whose boxes come within `reach` mm of a side's. */
export function sidesNear(sides: Sides, patches: readonly Patch[], side: number, reach: number): number[] {
  const { boxes } = sides;
  const own = itemAt(sides.patchOf, side);
  const { layer } = itemAt(patches, own);
  const at = side * 4;
  return sides.index.search(
    itemAt(boxes, at) - reach,
    itemAt(boxes, at + 1) - reach,
    itemAt(boxes, at + 2) + reach,
    itemAt(boxes, at + 3) + reach,
    (near) => {
      const patch = itemAt(sides.patchOf, near);
      return patch !== own && itemAt(patches, patch).layer === layer;
    },
  );
}

/** Every stretch where sides of two patches coincide, found once from each of the two sides. */
export function findContacts(sides: Sides, patches: readonly Patch[]): Contact[] {
  const contacts: Contact[] = [];
  const look = (side: number, other: number) => {
    const own = contactOf(sides, side, other);
    const theirs = contactOf(sides, other, side);
    if (own) contacts.push(own);
    if (theirs) contacts.push(theirs);
  };
  const twins = findTwins(sides, patches);
  for (let side = 0; side < sides.edges.length; side++) {
    const twin = itemAt(twins, side);
    if (twin >= 0) {
      if (twin > side) look(side, twin);
      continue;
    }
    // Each pair is looked at once, and then from both of its sides; those with a twin do not look about themselves.
    for (const other of sidesNear(sides, patches, side, SAME_POINT_MM))
      if (other > side || itemAt(twins, other) >= 0) look(side, other);
  }
  // In the order of the sides, whatever order the spatial index finds them in: where a drawing lies changes nothing.
  return contacts.sort((p, q) => p.side - q.side || p.other - q.other);
}

/**
 * For each straight side the one of its layer that runs between the same two places the other way; −1 where there is none,
 * or several. Most seams of most drawings are found so, without searching.
 */
function findTwins(sides: Sides, patches: readonly Patch[]): Int32Array {
  const { edges, patchOf, startPlace, places } = sides;
  const layerOf = (side: number) => itemAt(patches, itemAt(patchOf, side)).layer;
  const byLayer = new Map<number, Map<number, number>>();
  const key = (from: number, to: number) => from * places.length + to;
  const isAlone = new Uint8Array(edges.length);
  edges.forEach((edge, side) => {
    if (!isStraight(edge)) return;
    const layer = layerOf(side);
    const byEnds = byLayer.get(layer) ?? new Map<number, number>();
    byLayer.set(layer, byEnds);
    const own = key(itemAt(startPlace, side), endPlace(sides, side));
    const before = byEnds.get(own);
    if (before === undefined) byEnds.set(own, side);
    else isAlone[before] = 0;
    isAlone[side] = before === undefined ? 1 : 0;
  });
  return Int32Array.from(edges, (_, side) => {
    if (!isAlone[side]) return -1;
    const twin = byLayer.get(layerOf(side))?.get(key(endPlace(sides, side), itemAt(startPlace, side))) ?? -1; // prettier-ignore
    return twin >= 0 && isAlone[twin] && patchOf[twin] !== patchOf[side] ? twin : -1;
  });
}

/** Where other patches lie against one side, in order along it. */
export function contactsOfSide(sides: Sides, patches: readonly Patch[], side: number): Contact[] {
  return sidesNear(sides, patches, side, SAME_POINT_MM)
    .flatMap((other) => contactOf(sides, side, other) ?? [])
    .sort((p, q) => p.from - q.from);
}

/** Unit direction of a straight side; 0, 0 for a curved one. Two numbers to a side stand in the list. */
function alongX(directions: Float64Array, side: number): number {
  return itemAt(directions, side * 2);
}

function alongY(directions: Float64Array, side: number): number {
  return itemAt(directions, side * 2 + 1);
}

/** Straight sides that lie on each other for over 1 mm run opposite to within this cosine (about 25°). */
const OPPOSITE_COS = -0.9;
/** Sides further apart than this all along are in no contact, mm; well above the tolerance. */
const APART_MM = 3 * SAME_POINT_MM;

function contactOf(sides: Sides, side: number, other: number): Contact | undefined {
  const { directions } = sides;
  const [ux, uy] = [alongX(directions, side), alongY(directions, side)];
  const [vx, vy] = [alongX(directions, other), alongY(directions, other)];
  // Most neighbours only meet at a corner: their directions tell, long before anything is measured.
  const areStraight = (ux !== 0 || uy !== 0) && (vx !== 0 || vy !== 0);
  if (areStraight && ux * vx + uy * vy > OPPOSITE_COS) return undefined;
  const a = itemAt(sides.edges, side);
  const b = itemAt(sides.edges, other);
  const length = itemAt(sides.lengths, side);
  if (areStraight && isApart(a, b, ux, uy, length)) return undefined;
  if (areStraight) return straightContact(sides, side, other);
  // The neighbour runs the other way: its end lies towards our start.
  const begin = locate(a, b.b);
  const finish = locate(a, b.a);
  const [from, to] = [begin.along, finish.along];
  if (to - from <= LEAST_SEAM_MM) return undefined;
  const startsHere = locate(b, a.a).off < begin.off && from <= 2 * SAME_POINT_MM;
  const endsHere = locate(b, a.b).off < finish.off && to >= length - 2 * SAME_POINT_MM;
  const middle = (from + to) / 2;
  const isFar = [from, middle, to].some((along) => locate(b, pointAt(a, along)).off > SAME_POINT_MM);
  if (isFar || !runsOpposite(a, b, middle)) return undefined;
  const fromPlace = startsHere || begin.off > SAME_POINT_MM ? sides.startPlace[side] : endPlace(sides, other);
  const toPlace = endsHere || finish.off > SAME_POINT_MM ? endPlace(sides, side) : sides.startPlace[other];
  return { side, other, from, to, fromPlace: fromPlace as number, toPlace: toPlace as number };
}

/** The same for two straight sides, in plain numbers: this is most of the work on a large block. */
function straightContact(sides: Sides, side: number, other: number): Contact | undefined {
  const { directions, lengths, edges } = sides;
  const [a, b] = [itemAt(edges, side), itemAt(edges, other)];
  const length = itemAt(lengths, side);
  const from = alongLine(a, directions, side, length, b.b);
  const to = alongLine(a, directions, side, length, b.a);
  if (to - from <= LEAST_SEAM_MM) return undefined;
  const otherLength = itemAt(lengths, other);
  const offOther = (x: number, y: number) => offLine(b, directions, other, otherLength, x, y);
  const [ux, uy] = [alongX(directions, side), alongY(directions, side)];
  const offAt = (along: number) => offOther(a.a.x + ux * along, a.a.y + uy * along);
  if (offAt(from) > SAME_POINT_MM || offAt(to) > SAME_POINT_MM || offAt((from + to) / 2) > SAME_POINT_MM)
    return undefined;
  const beginOff = offLine(a, directions, side, length, b.b.x, b.b.y);
  const finishOff = offLine(a, directions, side, length, b.a.x, b.a.y);
  const startsHere = from <= 2 * SAME_POINT_MM && offOther(a.a.x, a.a.y) < beginOff;
  const endsHere = to >= length - 2 * SAME_POINT_MM && offOther(a.b.x, a.b.y) < finishOff;
  const fromPlace = startsHere || beginOff > SAME_POINT_MM ? sides.startPlace[side] : endPlace(sides, other);
  const toPlace = endsHere || finishOff > SAME_POINT_MM ? endPlace(sides, side) : sides.startPlace[other];
  return { side, other, from, to, fromPlace: fromPlace as number, toPlace: toPlace as number };
}

/** How far along a straight side the place nearest to a point lies, mm. */
function alongLine(
  { a }: Edge,
  directions: Float64Array,
  side: number,
  length: number,
  { x, y }: Point,
): number {
  const along = (x - a.x) * alongX(directions, side) + (y - a.y) * alongY(directions, side);
  return along < 0 ? 0 : along > length ? length : along;
}

/** How far a point lies off a straight side, mm. */
function offLine(
  { a }: Edge,
  directions: Float64Array,
  side: number,
  length: number,
  x: number,
  y: number,
): number {
  const [ux, uy] = [alongX(directions, side), alongY(directions, side)];
  const [px, py] = [x - a.x, y - a.y];
  const free = px * ux + py * uy;
  const along = free < 0 ? 0 : free > length ? length : free;
  const [dx, dy] = [px - ux * along, py - uy * along];
  return Math.sqrt(dx * dx + dy * dy);
}

/** Whether a straight side lies wholly beside another's line, or beyond its ends: no contact, without measuring more. */
function isApart(a: Edge, b: Edge, ux: number, uy: number, length: number): boolean {
  const [px, py, qx, qy] = [b.a.x - a.a.x, b.a.y - a.a.y, b.b.x - a.a.x, b.b.y - a.a.y];
  const [left, right] = [ux * py - uy * px, ux * qy - uy * qx];
  if (Math.min(left, right) > APART_MM || Math.max(left, right) < -APART_MM) return true;
  const [from, to] = [ux * qx + uy * qy, ux * px + uy * py];
  return Math.min(to, length) - Math.max(from, 0) < LEAST_SEAM_MM / 2;
}

function runsOpposite(a: Edge, b: Edge, along: number): boolean {
  const ours = directionAt(a, along);
  const theirs = directionAt(b, isStraight(b) ? 0 : locate(b, pointAt(a, along)).along);
  return ours.x * theirs.x + ours.y * theirs.y < 0;
}
