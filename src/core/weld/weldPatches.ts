import { itemAt, knownOf } from '../lists';
import type { Patch } from '../block';
import { recognise } from '../catalogue';
import {
  circleOf,
  distance,
  edgeOf,
  findSelfCrossing,
  isStraight,
  signedArea,
  type Circle,
  type Outline,
  type Point,
} from '../geometry';
import type { UnitSystem } from '../length';
import { clusterCorners, type Corners } from './corners';
import { fitCircle, fitLine } from './fit';
import { findCourses, type Course } from './lines';
import { classifyShapes, madeEven, type Ring, type ShapeClass } from './shapeClasses';
import { settle, type Settled, type Wanted } from './settle';
import { placesOnSides, type WeldSide } from './sides';

/** How far off the corners of a drawing may lie where nothing else is said, mm: papers and cloth forgive that. */
export const DEFAULT_REACH_MM = 0.5;
/** Largest reach that may be chosen, mm: beyond lie pieces that are meant. */
export const MOST_REACH_MM = 1.5;

export interface WeldOptions {
  /** Corners this far apart may be one place, mm; 0 leaves the drawing as it is. */
  readonly reachMm: number;
  /** Unit of the papers that alike outlines are likely to stand for. */
  readonly system: UnitSystem;
}

/** What the weld did to a drawing. */
export interface WeldReport {
  readonly reachMm: number;
  /** Corners that were moved. */
  readonly moved: number;
  /** How far the farthest of them was moved, mm. */
  readonly farthestMm: number;
  /** Corners in the middle of straight sides that were left out. */
  readonly dropped: number;
}

export interface Welded {
  /** In the order given; those left as they are are the same objects. */
  readonly patches: readonly Patch[];
  readonly report: WeldReport;
}

/** A drawing that is off by less is exact: it stays as it is, mm. */
const EXACT_MM = 0.02;
/** Corners moved by less are not told of, mm. */
const TOLD_MM = 0.005;
/** No corner is moved further than this many reaches. */
const MOST_MOVED = 1.2;

/**
 * Makes the outlines of a drawing consistent: corners that belong together become one place, corners near a neighbour's
 * side are put on it, sides that run together become one line or arc, and papers of nearly one kind become alike. What is
 * off by more than the reach is left as it is. An exact drawing comes back as it was given.
 * Layers are welded each by itself. Every corner stays within 1.2 reaches of where it was drawn.
 * Cost: near-linear in the corners, times the rounds until all lies still.
 */
export function weldPatches(patches: readonly Patch[], { reachMm, system }: WeldOptions): Welded {
  const result = [...patches];
  let report: WeldReport = { reachMm, moved: 0, farthestMm: 0, dropped: 0 };
  if (!(reachMm > 0)) return { patches, report };
  const layers = new Map<number, number[]>();
  patches.forEach(({ layer }, index) => layers.set(layer, [...(layers.get(layer) ?? []), index]));
  for (const members of layers.values()) {
    const own = weldLayer(patches, members, reachMm, system);
    if (!own) continue;
    own.outlines.forEach((patch, index) => (result[index] = patch));
    report = {
      reachMm,
      moved: report.moved + own.moved,
      farthestMm: Math.max(report.farthestMm, own.farthestMm),
      dropped: report.dropped + own.dropped,
    };
  }
  return { patches: result, report };
}

interface WeldedLayer extends Omit<WeldReport, 'reachMm'> {
  readonly outlines: ReadonlyMap<number, Patch>;
}

function weldLayer(
  patches: readonly Patch[],
  members: readonly number[],
  reachMm: number,
  system: UnitSystem,
): WeldedLayer | undefined {
  if (isExact(topologyOf(patches, members, reachMm))) return undefined;
  const wanted = topologyOf(roundedArcs(patches, members, reachMm), members, reachMm);
  takeExactPapers(wanted.classes, reachMm, system);
  // What would pull a corner further than it may be moved is wished for no more: papers first, then lines.
  for (const tried of [wanted, { ...wanted, classes: [] }, { ...wanted, classes: [], courses: [] }]) {
    const settled = settle(tried);
    if (farthest(wanted.corners, settled.places) > MOST_MOVED * reachMm) continue;
    const welded = rebuild(patches, wanted, settled);
    if ([...welded.outlines.values()].every(isSound)) return welded;
  }
  const clustered = rebuild(patches, wanted, { places: wanted.places, circles: new Map() });
  // What would cross itself even so stays as it was drawn.
  const outlines = [...clustered.outlines].map(
    ([index, patch]) => [index, isSound(patch) ? patch : itemAt(patches, index)] as const,
  );
  return { ...clustered, outlines: new Map(outlines) };
}

/** Whether an outline runs round its patch once. */
function isSound({ outline }: Patch): boolean {
  return signedArea(outline) >= LEAST_AREA_MM2 && findSelfCrossing(outline) === undefined;
}

/** Nothing smaller can be sewn, mm². */
const LEAST_AREA_MM2 = 1;

/** What belongs together in one layer of a drawing. */
interface Topology extends Wanted {
  readonly corners: Corners;
  readonly classes: ShapeClass[];
  /** Whether corners, lines and arcs already agree. */
  readonly fits: boolean;
}

function topologyOf(patches: readonly Patch[], members: readonly number[], reachMm: number): Topology {
  const corners = clusterCorners(patches, members, reachMm);
  const { places } = corners;
  const sides = placesOnSides(patches, corners, reachMm);
  const { courses, courseOf } = findCourses(sides, places, reachMm);
  const rings = members.map((patch) => ringOf(patch, sides, corners, courseOf));
  const fits = areExact(corners) && courses.every((course) => offCourse(course, places, sides) <= EXACT_MM);
  const classes = classifyShapes(rings, places, fits ? EXACT_SHARE * reachMm : reachMm);
  return { corners, places, sides, courses, courseOf, rings, fits, classes };
}

/**
 * The same patches with arcs that are nearly half circles made half circles. Near one the radius that a drawing gives says
 * nothing any more: ends a tenth of a millimetre off change how far the arc bows by a millimetre.
 */
function roundedArcs(patches: readonly Patch[], members: readonly number[], reachMm: number): Patch[] {
  const result = [...patches];
  for (const index of members) {
    const patch = itemAt(patches, index);
    const bulges = patch.outline.bulges.map((bulge, side) => {
      const edge = edgeOf(patch.outline, side);
      if (isStraight(edge)) return bulge;
      const isHalf = 2 * circleOf(edge).radius - distance(edge.a, edge.b) <= reachMm;
      return isHalf && Math.abs(bulge) > LEAST_HALF_BULGE ? Math.sign(bulge) : bulge;
    });
    if (bulges.some((bulge, side) => bulge !== patch.outline.bulges[side]))
      result[index] = { ...patch, outline: { corners: patch.outline.corners, bulges } };
  }
  return result;
}

/** Arcs that bow less are no half circles, however small they are (100°). */
const LEAST_HALF_BULGE = 0.47;

/** The places round a patch, without corners in the middle of a straight line. */
function ringOf(patch: number, sides: readonly WeldSide[], corners: Corners, courseOf: Int32Array): Ring {
  const first = knownOf(corners.firstOf, patch);
  let count = 0;
  while (sides[first + count]?.patch === patch) count += 1;
  const all = Array.from({ length: count }, (_, i) => first + i);
  const kept = all.filter((side, i) => {
    const before = first + ((i + count - 1) % count);
    return !isStraightOn(itemAt(sides, before), itemAt(sides, side), courseOf[before] === courseOf[side]);
  });
  const own = kept.length >= 3 || kept.length === count ? kept : all;
  return {
    patch,
    places: own.map((side) => itemAt(corners.placeOf, side)),
    sides: own,
    bows: own.map((side) => bowOf(itemAt(sides, side))),
  };
}

function isStraightOn(before: WeldSide, after: WeldSide, isOneCourse: boolean): boolean {
  if (!isOneCourse || !isStraight(before.edge) || !isStraight(after.edge)) return false;
  const [p, q] = [before.edge, after.edge];
  return (p.b.x - p.a.x) * (q.b.x - q.a.x) + (p.b.y - p.a.y) * (q.b.y - q.a.y) > 0;
}

function bowOf({ edge }: WeldSide): number {
  return isStraight(edge) ? 0 : (edge.bulge * distance(edge.a, edge.b)) / 2;
}

/** Where all edges fit, papers that differ are more likely meant to: so much of the reach counts for them. */
const EXACT_SHARE = 0.6;

function areExact({ placeOf, places, drawn }: Corners): boolean {
  return drawn.every((point, i) => distance(point, itemAt(places, itemAt(placeOf, i))) <= EXACT_MM);
}

/** Whether there is nothing to put right. */
function isExact({ fits, classes }: Topology): boolean {
  return fits && classes.every(({ spreadMm }) => spreadMm <= EXACT_MM);
}

function offCourse(course: Course, places: readonly Point[], sides: readonly WeldSide[]): number {
  const own = course.places.map((place) => itemAt(places, place));
  if (course.kind === 'line') {
    if (own.length < 3) return 0;
    const line = fitLine(own);
    return own.reduce((most, point) => Math.max(most, Math.abs(line.offOf(point))), 0);
  }
  const near = circleOf(itemAt(sides, itemAt(course.sides, 0)).edge);
  const { centre, radius } = fitCircle([...own, ...course.drawn], near);
  const off = (point: Point) => Math.abs(distance(point, centre) - radius);
  return [...own, ...course.drawn].reduce((most, point) => Math.max(most, off(point)), 0);
}

/** A mean is never surer than this, mm. */
const LEAST_SURE_MM = 0.03;
/** Nor is it unsurer than this share of the reach. */
const MOST_SURE_SHARE = 0.6;
/** A mean of n papers may be off by so many times their spread ÷ √n. */
const SURE_SPREADS = 3.5;
/** A drawn paper fits one of the catalogue exactly, mm: only then may that have an angle that no common paper has. */
const FITS_EXACTLY_MM = 0.005;

/**
 * Puts the papers that alike outlines surely stand for in place of their means: one of the catalogue where it differs from
 * the mean by no more than chance explains, else the mean made even where it is as good as symmetrical.
 */
function takeExactPapers(classes: ShapeClass[], reachMm: number, system: UnitSystem): void {
  const squares = classes.reduce((sum, { spreadMm, members }) => sum + spreadMm ** 2 * members.length, 0);
  const several = classes.reduce((sum, { members }) => sum + members.length - 1, 0);
  const noise = several >= FEW ? Math.sqrt(squares / several) : reachMm / 3;
  for (const one of classes) {
    const most = Math.max(LEAST_SURE_MM, Math.min(MOST_SURE_SHARE * reachMm, SURE_SPREADS * noise));
    // Each paper lies on the mean as it fits best: what the mean is uneven by may be their spread, however many they are.
    one.model = madeEven(one.model, most);
    const sure = Math.max(LEAST_SURE_MM, most / Math.sqrt(one.members.length));
    const found = recognise(one.model, system, FITS_EXACTLY_MM);
    if (found && found.offMm <= sure) one.model = alignedTo(found.laidOn, one.model);
  }
}

/** With fewer alike papers than this the noise of a drawing cannot be told from them. */
const FEW = 4;

/** The paper with its corners numbered as the model's are. */
function alignedTo(paper: Outline, model: Outline): Outline {
  const count = model.corners.length;
  if (paper.corners.length !== count) return model;
  const off = (shift: number) =>
    model.corners.reduce((sum, p, i) => sum + distance(p, itemAt(paper.corners, (i + shift) % count)), 0);
  const shifts = model.corners.map((_, shift) => shift).sort((a, b) => off(a) - off(b));
  const best = itemAt(shifts, 0);
  const at = (i: number) => (i + best) % count;
  return {
    corners: model.corners.map((_, i) => itemAt(paper.corners, at(i))),
    bulges: model.corners.map((_, i) => itemAt(paper.bulges, at(i))),
  };
}

function farthest({ drawn, placeOf }: Corners, places: readonly Point[]): number {
  return drawn.reduce(
    (most, point, i) => Math.max(most, distance(point, itemAt(places, itemAt(placeOf, i)))),
    0,
  );
}

function rebuild(
  patches: readonly Patch[],
  { corners, rings, sides, courseOf }: Topology,
  { places, circles }: Settled,
): WeldedLayer {
  let [moved, farthestMm, dropped] = [0, 0, 0];
  corners.drawn.forEach((point, i) => {
    const off = distance(point, itemAt(places, itemAt(corners.placeOf, i)));
    if (off > TOLD_MM) moved += 1;
    farthestMm = Math.max(farthestMm, off);
  });
  const outlines = new Map<number, Patch>();
  for (const ring of rings) {
    const patch = itemAt(patches, ring.patch);
    dropped += patch.outline.corners.length - ring.places.length;
    const own = ring.places.map((place) => itemAt(places, place));
    const bulges = ring.sides.map((side, i) => {
      const drawn = itemAt(sides, side);
      const [from, to] = [itemAt(own, i), itemAt(own, (i + 1) % own.length)];
      return bulgeOn(circles.get(itemAt(courseOf, side)), from, to, drawn.edge.bulge);
    });
    outlines.set(ring.patch, { ...patch, outline: { corners: own, bulges }, ...edgesOf(patch, ring, sides) });
  }
  return { outlines, moved, farthestMm, dropped };
}

/** What the host decided of single sides, by their new numbers. */
function edgesOf(patch: Patch, ring: Ring, sides: readonly WeldSide[]): Partial<Patch> {
  if (!patch.edges || ring.sides.length === patch.outline.corners.length) return {};
  const kept = ring.sides.flatMap((side, i) => {
    const is = patch.edges?.[itemAt(sides, side).side];
    return is ? [[i, is] as const] : [];
  });
  return { edges: Object.fromEntries(kept) };
}

/** The bulge of a side that follows a circle from one place to another, the way it was drawn. */
function bulgeOn(circle: Circle | undefined, from: Point, to: Point, drawn: number): number {
  if (!circle || drawn === 0) return drawn;
  const { centre } = circle;
  const angle = (p: Point) => Math.atan2(p.y - centre.y, p.x - centre.x);
  let sweep = (angle(to) - angle(from)) * Math.sign(drawn);
  while (sweep <= 0) sweep += 2 * Math.PI;
  while (sweep > 2 * Math.PI) sweep -= 2 * Math.PI;
  const bulge = Math.tan(sweep / 4) * Math.sign(drawn);
  return Number.isFinite(bulge) && Math.abs(bulge - drawn) < 0.5 * Math.max(0.2, Math.abs(drawn))
    ? bulge
    : drawn;
}
