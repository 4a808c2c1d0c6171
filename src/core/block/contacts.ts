import Flatbush from 'flatbush';
import {
  SAME_POINT_MM,
  boxOfPoints,
  clusterPoints,
  directionAt,
  edgeLength,
  edgesOf,
  flatten,
  isStraight,
  locate,
  pointAt,
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
    const first = firstOf[patch] as number;
    firstOf[patch + 1] = first + outline.corners.length;
    patchOf.fill(patch, first, firstOf[patch + 1]);
  });
  const { numbers, places } = clusterPoints(edges.map(({ a }) => a));
  const index = new Flatbush(Math.max(1, edges.length));
  for (const edge of edges) {
    const box = boxOfPoints(flatten(edge, 0.05));
    index.add(box.minX, box.minY, box.maxX, box.maxY);
  }
  if (edges.length === 0) index.add(0, 0, 0, 0);
  index.finish();
  const lengths = Float64Array.from(edges, edgeLength);
  return { edges, lengths, patchOf, firstOf, startPlace: numbers, places, index };
}

/** The side after `side` round the same patch. */
export function nextSide({ firstOf, patchOf }: Sides, side: number): number {
  const patch = patchOf[side] as number;
  return side + 1 < (firstOf[patch + 1] as number) ? side + 1 : (firstOf[patch] as number);
}

/** Place number of the corner where a side ends. */
export function endPlace(sides: Sides, side: number): number {
  return sides.startPlace[nextSide(sides, side)] as number;
}

/** Sides of other patches of the same layer whose boxes come within `reach` mm of a side's. */
export function sidesNear(sides: Sides, patches: readonly Patch[], side: number, reach: number): number[] {
  const box = boxOfPoints(flatten(sides.edges[side] as Edge, 0.05));
  const own = sides.patchOf[side] as number;
  const { layer } = patches[own] as Patch;
  return sides.index.search(
    box.minX - reach,
    box.minY - reach,
    box.maxX + reach,
    box.maxY + reach,
    (near) => {
      const patch = sides.patchOf[near] as number;
      return patch !== own && (patches[patch] as Patch).layer === layer;
    },
  );
}

/** Every stretch where sides of two patches coincide, found once from each of the two sides. */
export function findContacts(sides: Sides, patches: readonly Patch[]): Contact[] {
  const contacts: Contact[] = [];
  for (let side = 0; side < sides.edges.length; side++) {
    for (const other of sidesNear(sides, patches, side, SAME_POINT_MM)) {
      const contact = contactOf(sides, side, other);
      if (contact) contacts.push(contact);
    }
  }
  return contacts;
}

function contactOf(sides: Sides, side: number, other: number): Contact | undefined {
  const a = sides.edges[side] as Edge;
  const b = sides.edges[other] as Edge;
  const length = sides.lengths[side] as number;
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

function runsOpposite(a: Edge, b: Edge, along: number): boolean {
  const ours = directionAt(a, along);
  const theirs = directionAt(b, isStraight(b) ? 0 : locate(b, pointAt(a, along)).along);
  return ours.x * theirs.x + ours.y * theirs.y < 0;
}
