import { itemAt, lastOf } from '../lists';
import { STRAIGHT_DEG, directionAt, edgeLength, flatten, partOf, turnDegrees, type Point } from '../geometry';
import {
  LEAST_SEAM_MM,
  endPlace,
  findContacts,
  listSides,
  nextSide,
  type Contact,
  type Sides,
} from './contacts';
import type { Patch } from './patch';

/** One end of a seam. */
export interface SeamEnd {
  /** Place number; ends at the same place have the same number. */
  readonly place: number;
  /** Unit direction in which the seam leaves the place. */
  readonly outward: Point;
  /** Side index, within its outline, of the first and the second patch's side here. */
  readonly sides: readonly [number, number];
}

/** A stretch of edge that two patches share: a maximal run, its bends kept. */
export interface Seam {
  readonly id: string;
  /** Indices of the two patches, the lower first. */
  readonly patches: readonly [number, number];
  readonly lengthMm: number;
  /** Along the first patch's edge, clockwise round it; curves flattened. */
  readonly path: readonly Point[];
  readonly start: SeamEnd;
  readonly end: SeamEnd;
  /** Corners inside the seam where its direction turns; no order of work avoids them. */
  readonly innerBends: readonly Point[];
  /** How far it turns at each of them, degrees. */
  readonly innerTurns: readonly number[];
}

/** A stretch of edge that is sewn to nothing. */
export interface OpenEdge {
  readonly patch: number;
  readonly lengthMm: number;
  readonly path: readonly Point[];
}

/** What touches what in a block. Indices refer to the list of patches it was built from. */
export interface SeamGraph {
  readonly patches: readonly Patch[];
  readonly seams: readonly Seam[];
  readonly openEdges: readonly OpenEdge[];
  /** Places by number, as the seam ends name them. */
  readonly places: readonly Point[];
  /** Seams of each patch. */
  readonly seamsOf: readonly (readonly number[])[];
  /** Seams that end at each place. */
  readonly seamsAt: readonly (readonly number[])[];
  /** Whether a place is wholly surrounded by cloth. */
  readonly isInner: readonly boolean[];
  /** Whether two of the seams that end at a place lie in one line there. */
  readonly hasLine: readonly boolean[];
  readonly sides: Sides;
  /** Where sides lie on each other, before they are joined to seams. */
  readonly contacts: readonly Contact[];
  /** Set where units stand for patches: an outline is then only a list of corners that says where the unit lies. */
  readonly isOfUnits?: true;
}

/** How far a flattened seam may lie from its true curve, mm. */
const PATH_SAG_MM = 0.05;

/**
 * Builds the seam graph of placed patches. Patches of different layers share no seam: they are appliquéd.
 * Guarantees: every seam is longer than 1 mm, appears once, and lies within 0.1 mm of both patches' edges.
 * Cost: near-linear in the number of patches, by a spatial index.
 */
export function buildSeamGraph(patches: readonly Patch[]): SeamGraph {
  const sides = listSides(patches);
  const contacts = findContacts(sides, patches);
  const seams = joinRuns(sides, contacts);
  const openEdges: OpenEdge[] = [];
  const isOpenPlace = new Set<number>();
  findOpenEdges(sides, contacts, openEdges, isOpenPlace);
  const seamsOf: number[][] = patches.map(() => []);
  const seamsAt: number[][] = sides.places.map(() => []);
  seams.forEach(({ patches: pair, start, end }, seam) => {
    for (const patch of pair) seamsOf[patch]?.push(seam);
    for (const { place } of [start, end]) seamsAt[place]?.push(seam);
  });
  const isInner = seamsAt.map((list, place) => list.length > 0 && !isOpenPlace.has(place));
  const hasLine = seamsAt.map((list, place) => hasStraightPair(seams, list, place));
  return {
    patches,
    seams,
    openEdges,
    places: sides.places,
    seamsOf,
    seamsAt,
    isInner,
    hasLine,
    sides,
    contacts,
  };
}

function hasStraightPair(seams: readonly Seam[], list: readonly number[], place: number): boolean {
  const outward = list.map((seam) => {
    const { start, end } = itemAt(seams, seam);
    return start.place === place ? start.outward : end.outward;
  });
  return outward.some((a, i) => {
    const back = { x: -a.x, y: -a.y };
    for (let k = i + 1; k < outward.length; k++)
      if (turnDegrees(back, itemAt(outward, k)) <= STRAIGHT_DEG) return true;
    return false;
  });
}

function joinRuns(sides: Sides, contacts: readonly Contact[]): Seam[] {
  const byPair = new Map<number, Contact[]>();
  const count = sides.firstOf.length;
  for (const contact of contacts) {
    const [a, b] = [itemAt(sides.patchOf, contact.side), itemAt(sides.patchOf, contact.other)];
    if (a > b) continue;
    const list = byPair.get(a * count + b);
    if (list) list.push(contact);
    else byPair.set(a * count + b, [contact]);
  }
  const seams: Seam[] = [];
  for (const list of byPair.values()) {
    list.sort((p, q) => p.side - q.side || p.from - q.from);
    for (const run of splitRuns(sides, list)) seams.push(seamFrom(sides, run, seams.length));
  }
  return seams;
}

/** Splits contacts, sorted along one patch, where one does not begin at the place where the one before ended. */
function splitRuns(sides: Sides, sorted: readonly Contact[]): Contact[][] {
  const runs: Contact[][] = [];
  for (const contact of sorted) {
    const last = runs.at(-1)?.at(-1);
    if (last && follows(sides, last, contact)) runs.at(-1)?.push(contact);
    else runs.push([contact]);
  }
  const [first, last] = [runs[0], runs.at(-1)];
  if (first && last && first !== last && follows(sides, lastOf(last), itemAt(first, 0))) {
    runs[0] = [...last, ...first];
    runs.pop();
  }
  return runs;
}

function follows(sides: Sides, before: Contact, after: Contact): boolean {
  const isNext = after.side === before.side || after.side === nextSide(sides, before.side);
  return isNext && before.toPlace === after.fromPlace;
}

function seamFrom(sides: Sides, run: readonly Contact[], number: number): Seam {
  const parts = run.map(({ side, from, to }) => partOf(itemAt(sides.edges, side), from, to));
  const [first, last] = [itemAt(run, 0), lastOf(run)];
  const [head, tail] = [itemAt(parts, 0), lastOf(parts)];
  const arriving = directionAt(tail, edgeLength(tail));
  const inner = parts.slice(1).flatMap((part, i) => {
    const before = itemAt(parts, i);
    const turnDeg = turnDegrees(directionAt(before, edgeLength(before)), directionAt(part, 0));
    return turnDeg > STRAIGHT_DEG ? [{ at: part.a, turnDeg }] : [];
  });
  return {
    id: `s${number + 1}`,
    patches: [itemAt(sides.patchOf, first.side), itemAt(sides.patchOf, first.other)],
    lengthMm: run.reduce((sum, { from, to }) => sum + to - from, 0),
    path: parts.flatMap((part, i) => flatten(part, PATH_SAG_MM).slice(i === 0 ? 0 : 1)),
    start: { place: first.fromPlace, outward: directionAt(head, 0), sides: sidePair(sides, first) },
    end: {
      place: last.toPlace,
      outward: { x: -arriving.x, y: -arriving.y },
      sides: sidePair(sides, last),
    },
    innerBends: inner.map(({ at }) => at),
    innerTurns: inner.map(({ turnDeg }) => turnDeg),
  };
}

function sidePair(sides: Sides, { side, other }: Contact): [number, number] {
  const local = (index: number) => index - itemAt(sides.firstOf, itemAt(sides.patchOf, index));
  return [local(side), local(other)];
}

function findOpenEdges(
  sides: Sides,
  contacts: readonly Contact[],
  open: OpenEdge[],
  openPlaces: Set<number>,
): void {
  const bySide: (Contact[] | undefined)[] = Array.from(sides.edges, () => undefined);
  for (const contact of contacts) {
    const list = bySide[contact.side];
    if (list) list.push(contact);
    else bySide[contact.side] = [contact];
  }
  for (let side = 0; side < sides.edges.length; side++) {
    const covered = bySide[side] ?? [];
    if (covered.length > 1) covered.sort((a, b) => a.from - b.from);
    let [from, place] = [0, itemAt(sides.startPlace, side)];
    for (const contact of covered) {
      addOpen(sides, side, from, contact.from, [place, contact.fromPlace], open, openPlaces);
      if (contact.to > from) [from, place] = [contact.to, contact.toPlace];
    }
    addOpen(sides, side, from, itemAt(sides.lengths, side), [place, endPlace(sides, side)], open, openPlaces);
  }
}

function addOpen(
  sides: Sides,
  side: number,
  from: number,
  to: number,
  ends: readonly [number, number],
  open: OpenEdge[],
  openPlaces: Set<number>,
): void {
  if (to - from <= LEAST_SEAM_MM) return;
  const part = partOf(itemAt(sides.edges, side), from, to);
  open.push({ patch: itemAt(sides.patchOf, side), lengthMm: to - from, path: flatten(part, PATH_SAG_MM) });
  for (const place of ends) openPlaces.add(place);
}
