import { itemAt } from '../lists';
import {
  areaOf,
  bestFit,
  boxOf,
  edgeLength,
  edgesOf,
  locate,
  mirrored,
  moveOutline,
  movedOutline,
  narrowestBox,
  perimeterOf,
  pointAt,
  type Outline,
  type Point,
  type TurnedBox,
} from '../geometry';
import { signatureOf } from './signature';

/** Two papers whose outlines lie nowhere further apart than this are hard to tell apart, mm. */
export const LOOK_ALIKE_MM = 3;

/** Points taken along each outline while looking for the best way to lay one on the other. */
const SAMPLES = 48;

/** A way of telling two papers apart: a measure and its two values. */
export interface TellingMeasure {
  readonly name: 'longest edge' | 'shortest edge' | 'sharpest corner' | 'width' | 'length';
  readonly unit: 'mm' | 'deg';
  readonly a: number;
  readonly b: number;
}

export interface Resemblance {
  /** Greatest distance between the two outlines, laid on each other as well as can be, mm. */
  readonly distanceMm: number;
  /** The second outline, laid on the first. */
  readonly laidOn: Outline;
  readonly isTurnedOver: boolean;
}

/**
 * Lays one outline on another, turned and turned over as well as can be, and measures how far they differ.
 * Corresponding points along both are brought together by the best rigid motion (Procrustes) for every start and way
 * round; the best few are measured point to outline. An upper bound of the true least, good to a few tenths of a mm.
 */
export function resemblance(a: Outline, b: Outline): Resemblance {
  const still = sample(a);
  let best: Resemblance | undefined;
  for (const isTurnedOver of [false, true]) {
    const other = isTurnedOver ? mirrored(b) : b;
    const moving = sample(other);
    const tries = Array.from({ length: SAMPLES }, (_, shift) => bestFit(moving, still, shift));
    tries.sort((p, q) => q.together - p.together);
    for (const { motion } of [...byCorners(a, other), ...tries.slice(0, 4)]) {
      const laidOn = moveOutline(motion, other);
      // What is further off than the best so far is not measured to the end.
      const enough = best?.distanceMm ?? Infinity;
      const there = furthest(still, laidOn, enough);
      if (there >= enough) continue;
      const distanceMm = Math.max(there, furthest(sample(laidOn), a, enough));
      if (distanceMm < enough) best = { distanceMm, laidOn, isTurnedOver };
    }
  }
  return best as Resemblance;
}

/** Most corners of outlines that are laid corner on corner. */
const MOST_CORNERS = 24;

/** The best way to lay an outline on another corner on corner, where both have as many: like papers are found exactly. */
function byCorners({ corners }: Outline, other: Outline): ReturnType<typeof bestFit>[] {
  if (corners.length !== other.corners.length || corners.length > MOST_CORNERS) return [];
  const tries = corners.map((_, shift) => bestFit(other.corners, corners, shift));
  return [tries.reduce((best, one) => (one.together > best.together ? one : best))];
}

/** Whether two papers are so different in size that laying them on each other can be spared. */
function differsInSize(p: TurnedBox, q: TurnedBox): boolean {
  return Math.abs(p.length - q.length) > 2 * LOOK_ALIKE_MM || Math.abs(p.width - q.width) > 2 * LOOK_ALIKE_MM;
}

/** The measure in which two outlines differ most, by what a ruler (mm) or an angle guide (degrees) can show. */
export function tellingMeasure(a: Outline, b: Outline): TellingMeasure {
  const measures = (outline: Outline) => {
    const steps = signatureOf(outline);
    const edges = steps.map(({ edgeMm }) => edgeMm);
    const { length, width } = narrowestBox(outline);
    return [
      Math.max(...edges),
      Math.min(...edges),
      Math.min(...steps.map(({ angleDeg }) => angleDeg)),
      width,
      length,
    ];
  };
  const names = ['longest edge', 'shortest edge', 'sharpest corner', 'width', 'length'] as const;
  const [ours, theirs] = [measures(a), measures(b)];
  const all = names.map((name, i): TellingMeasure => {
    const unit = name === 'sharpest corner' ? 'deg' : 'mm';
    return { name, unit, a: itemAt(ours, i), b: itemAt(theirs, i) };
  });
  // A degree on an angle guide is about as easy to see as a millimetre on a ruler.
  return all.reduce((most, one) => (Math.abs(one.a - one.b) > Math.abs(most.a - most.b) ? one : most));
}

function sample(outline: Outline): Point[] {
  const edges = edgesOf(outline);
  const step = perimeterOf(outline) / SAMPLES;
  const points: Point[] = [];
  let [index, done] = [0, 0];
  for (let i = 0; i < SAMPLES; i++) {
    let edge = itemAt(edges, index);
    while (i * step - done > edgeLength(edge) && index < edges.length - 1) {
      done += edgeLength(edge);
      edge = itemAt(edges, ++index);
    }
    points.push(pointAt(edge, Math.min(edgeLength(edge), i * step - done)));
  }
  return points;
}

/** Greatest distance of points from an outline, mm; not looked for further once it reaches `enough`. */
function furthest(points: readonly Point[], outline: Outline, enough: number): number {
  const edges = edgesOf(outline);
  let most = 0;
  for (const point of points) {
    let off = Infinity;
    for (const edge of edges) off = Math.min(off, locate(edge, point).off);
    most = Math.max(most, off);
    if (most >= enough) return most;
  }
  return most;
}

export interface NamedPaper {
  readonly name: string;
  readonly outline: Outline;
  readonly isHanded: boolean;
}

/** Papers that are easily taken for each other. */
export type LookAlike =
  | {
      readonly kind: 'pair';
      /** Indices of the two papers. */
      readonly papers: readonly [number, number];
      readonly distanceMm: number;
      readonly laidOn: Outline;
      readonly tellBy: TellingMeasure;
    }
  | { readonly kind: 'hands'; readonly paper: number; readonly turned: Outline };

/**
 * Finds papers of a whole project that are hard to tell apart: pairs that differ by less than 3 mm, and papers whose
 * two hands differ only by being turned over. Cost: pairs of about the same size are compared, about 20 000 points each.
 */
export function findLookAlikes(papers: readonly NamedPaper[]): LookAlike[] {
  const found: LookAlike[] = [];
  const boxes = papers.map(({ outline }) => narrowestBox(outline));
  const areas = papers.map(({ outline }) => areaOf(outline));
  papers.forEach(({ outline, isHanded }, a) => {
    if (isHanded) found.push({ kind: 'hands', paper: a, turned: standingBeside(outline) });
    papers.slice(a + 1).forEach((other, offset) => {
      const b = a + 1 + offset;
      if (differsInSize(itemAt(boxes, a), itemAt(boxes, b))) return;
      // Outlines nowhere 3 mm apart differ in area by less than a band of that width round the larger.
      const band = LOOK_ALIKE_MM * Math.max(perimeterOf(outline), perimeterOf(other.outline));
      if (Math.abs(itemAt(areas, a) - itemAt(areas, b)) > band) return;
      const { distanceMm, laidOn } = resemblance(outline, other.outline);
      if (distanceMm >= LOOK_ALIKE_MM) return;
      const tellBy = tellingMeasure(outline, other.outline);
      found.push({ kind: 'pair', papers: [a, b], distanceMm, laidOn, tellBy });
    });
  });
  return found;
}

function standingBeside(outline: Outline): Outline {
  const turned = mirrored(outline);
  const [box, own] = [boxOf(turned), boxOf(outline)];
  return movedOutline(turned, ({ x, y }) => ({ x: x - box.minX + own.minX, y }));
}
