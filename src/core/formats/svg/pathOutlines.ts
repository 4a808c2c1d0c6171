import { itemAt, lastOf } from '../../lists';
import svgpath from 'svgpath';
import {
  distance,
  locate,
  reversedOutline,
  SAME_POINT_MM,
  signedArea,
  toDegrees,
  type Outline,
  type Point,
} from '../../geometry';
import { arcsOfCurve, joinedArc, type Cubic } from './curveArcs';
import type { Matrix } from './matrix';

/** What became of one run of a path. */
export type PathRun =
  | { readonly kind: 'closed'; readonly outline: Outline }
  | { readonly kind: 'open'; readonly from: Point; readonly to: Point };

export type PathReading =
  | { readonly runs: readonly PathRun[] }
  | { readonly fault: string; readonly mend: string; readonly at: Point };

/** Corners closer than this to the straight line between their neighbours are no corners, mm. */
const NO_CORNER_MM = 0.02;
/** … if the direction there turns by less than this, degrees. */
const NO_CORNER_DEG = 1;
/** Longest path that is read, characters. */
const MAX_PATH_TEXT = 1_000_000;
/** Most sides of one patch. */
const MAX_SIDES = 2_000;
/** Nothing sewn is larger than this, mm. */
const MAX_COORDINATE_MM = 50_000;

/** Reads path data into outlines in millimetres, clockwise on screen; curves become circular arcs. */
export function pathOutlines(d: string, toMm: Matrix): PathReading {
  if (d.length > MAX_PATH_TEXT) {
    const mend = 'Simplify it, or draw its parts as shapes of their own.';
    return { fault: `is longer than ${MAX_PATH_TEXT} characters`, mend, at: { x: 0, y: 0 } };
  }
  const parsed = svgpath(d) as ReturnType<typeof svgpath> & { err?: string };
  if (parsed.err) {
    const why = parsed.err.replace(/^SvgPath: /, '');
    return {
      fault: `cannot be read: ${why}`,
      mend: 'Write only numbers and path letters.',
      at: { x: 0, y: 0 },
    };
  }
  const draft = new Draft();
  let fault: PathReading | undefined;
  parsed
    .abs()
    .unshort()
    .matrix([...toMm])
    .iterate((segment, index, x, y) => {
      if (!fault) fault = addSegment(draft, segment as [string, ...number[]], index, { x, y });
    });
  return fault ?? { runs: draft.finish() };
}

function addSegment(
  draft: Draft,
  segment: [string, ...number[]],
  index: number,
  from: Point,
): PathReading | undefined {
  const [letter, ...values] = segment;
  const at = { x: values.at(-2) ?? from.x, y: values.at(-1) ?? from.y };
  // Of an arc the radius may be as large as it likes: then it is straight.
  const places = letter === 'A' ? [at.x, at.y] : values;
  if (!values.every(Number.isFinite) || !places.every((value) => Math.abs(value) < MAX_COORDINATE_MM)) {
    const mend = 'Check the numbers in the drawing and its width.';
    return {
      fault: `reaches further than ${MAX_COORDINATE_MM / 1000} m, or not to a number, at command ${index + 1} (${letter})`,
      mend,
      at: from,
    };
  }
  if (letter === 'M') draft.moveTo(at);
  else if (letter === 'L') draft.lineTo(at, 0);
  else if (letter === 'H') draft.lineTo({ x: itemAt(values, 0), y: from.y }, 0);
  else if (letter === 'V') draft.lineTo({ x: from.x, y: itemAt(values, 0) }, 0);
  else if (letter === 'Z') draft.close();
  else if (letter === 'A') {
    const [rx, ry] = values as [number, number];
    if (Math.abs(rx - ry) > 1e-3 * Math.max(rx, ry)) return addEllipse(draft, values, index, from);
    if (rx > MAX_COORDINATE_MM) draft.lineTo(at, 0);
    else draft.lineTo(at, bulgeOf(from, at, rx, values[3] === 1, values[4] === 1));
  } else if (letter === 'C' || letter === 'Q') return addCurve(draft, cubicOf(from, values), index, letter);
  else return refusedCurve('something unknown', index, letter, from);
  return undefined;
}

/** A quadratic curve is a cubic one with its handles two thirds of the way to its own. */
function cubicOf(from: Point, values: readonly number[]): Cubic {
  const points = Array.from({ length: values.length / 2 }, (_, i) => ({ x: itemAt(values, 2 * i), y: itemAt(values, 2 * i + 1) })); // prettier-ignore
  const [first, second, third] = points as [Point, Point, Point | undefined];
  if (third) return [from, first, second, third];
  const towards = (end: Point) => ({ x: end.x + ((first.x - end.x) * 2) / 3, y: end.y + ((first.y - end.y) * 2) / 3 }); // prettier-ignore
  return [from, towards(from), towards(second), second];
}

function addCurve(draft: Draft, curve: Cubic, index: number, letter: string): PathReading | undefined {
  const [from, , , to] = curve;
  const isPoint = curve.every((point) => distance(point, from) <= SAME_POINT_MM / 2);
  const sides = isPoint ? [{ a: from, b: to, bulge: 0 }] : arcsOfCurve(curve);
  if (!sides) return refusedCurve('a curve with a cusp or a loop', index, letter, from);
  for (const { b, bulge } of sides) draft.lineTo(b, bulge);
  return undefined;
}

/** An elliptical arc by the curves that follow it. */
function addEllipse(
  draft: Draft,
  values: readonly number[],
  index: number,
  from: Point,
): PathReading | undefined {
  let fault: PathReading | undefined;
  svgpath(`M${from.x} ${from.y}A${values.join(' ')}`)
    .unarc()
    .iterate((segment, _, x, y) => {
      const [letter, ...numbers] = segment as [string, ...number[]];
      if (!fault && letter === 'C') fault = addCurve(draft, cubicOf({ x, y }, numbers), index, 'A');
      else if (!fault && letter === 'L') draft.lineTo({ x: itemAt(numbers, 0), y: itemAt(numbers, 1) }, 0);
    });
  return fault;
}

function refusedCurve(what: string, index: number, letter: string, { x, y }: Point): PathReading {
  return {
    fault: `has ${what} at command ${index + 1} (${letter}), near ${x.toFixed(1)} mm, ${y.toFixed(1)} mm`,
    mend: 'Redraw that side as one smooth curve, or with straight lines and arcs.',
    at: { x, y },
  };
}

function bulgeOf(from: Point, to: Point, radius: number, isLarge: boolean, isClockwise: boolean): number {
  const half = 2 * Math.asin(Math.min(1, distance(from, to) / (2 * radius)));
  const bulge = Math.tan((isLarge ? 2 * Math.PI - half : half) / 4);
  return isClockwise ? bulge : -bulge;
}

/** Collects the runs of one path. */
class Draft {
  private readonly runs: PathRun[] = [];
  private corners: Point[] = [];
  private bulges: number[] = [];

  moveTo(point: Point): void {
    this.endRun(false);
    this.corners = [point];
    this.bulges = [];
  }

  lineTo(point: Point, bulge: number): void {
    this.corners.push(point);
    this.bulges.push(bulge);
  }

  close(): void {
    const start = this.corners[0];
    this.endRun(true);
    if (start) this.corners = [start];
    this.bulges = [];
  }

  finish(): PathRun[] {
    this.endRun(false);
    return this.runs;
  }

  private endRun(isClosed: boolean): void {
    const [first, last] = [this.corners[0], this.corners.at(-1)];
    if (!first || !last || this.bulges.length === 0) return;
    const meets = distance(first, last) <= SAME_POINT_MM;
    if (!isClosed && !meets) {
      this.runs.push({ kind: 'open', from: first, to: last });
      return;
    }
    if (meets) this.corners.pop();
    else this.bulges.push(0);
    this.runs.push({ kind: 'closed', outline: tidyOutline({ corners: this.corners, bulges: this.bulges }) });
  }
}

/** Drops repeated points and corners in the middle of straight sides, and turns the outline clockwise. */
export function tidyOutline(raw: Outline): Outline {
  const distinct = dropRepeated(raw);
  const outline =
    distinct.corners.length < 2 || signedArea(distinct) >= 0 ? distinct : reversedOutline(distinct);
  return joinArcs(dropStraightCorners(outline));
}

/** Makes one arc of arcs that follow each other on one circle, as curves are often drawn in quarters. */
function joinArcs(outline: Outline): Outline {
  let { corners, bulges } = outline;
  for (let i = 0; i < corners.length && corners.length > 2 && corners.length <= MAX_SIDES;) {
    const count = corners.length;
    const before = (i + count - 1) % count;
    const [a, b, c] = [corners[before], corners[i], corners[(i + 1) % count]] as [Point, Point, Point];
    const one = joinedArc({ a, b, bulge: itemAt(bulges, before) }, { a: b, b: c, bulge: itemAt(bulges, i) });
    if (!one) {
      i += 1;
      continue;
    }
    bulges = bulges.map((bulge, k) => (k === before ? one.bulge : bulge)).filter((_, k) => k !== i);
    corners = corners.filter((_, k) => k !== i);
  }
  return corners === outline.corners ? outline : { corners, bulges };
}

/** Drops corners that lie on the corner kept before them. */
function dropRepeated({ corners, bulges }: Outline): Outline {
  const isNear = (a: Point, b: Point) => distance(a, b) <= SAME_POINT_MM / 2;
  const keep: number[] = [];
  corners.forEach((corner, i) => {
    const before = corners[keep.at(-1) ?? -1];
    if (!before || !isNear(before, corner)) keep.push(i);
  });
  while (keep.length > 1 && isNear(itemAt(corners, itemAt(keep, 0)), itemAt(corners, lastOf(keep))))
    keep.pop();
  // The side that leaves a dropped corner takes the place of the vanishing one that led to it.
  return {
    corners: keep.map((i) => itemAt(corners, i)),
    bulges: keep.map((start, k) => {
      const next = itemAt(keep, (k + 1) % keep.length);
      const span = (next - start + corners.length) % corners.length || corners.length;
      const sides = Array.from({ length: span }, (_, step) => (start + step) % corners.length);
      const longest = sides.reduce((best, side) =>
        sideChord(corners, side) > sideChord(corners, best) ? side : best,
      );
      return itemAt(bulges, longest);
    }),
  };
}

function sideChord(corners: readonly Point[], side: number): number {
  return distance(itemAt(corners, side), itemAt(corners, (side + 1) % corners.length));
}

function dropStraightCorners(outline: Outline): Outline {
  let { corners, bulges } = outline;
  if (corners.length > MAX_SIDES) return outline;
  const dropped = new Map<Point, Point[]>();
  for (let i = 0; i < corners.length && corners.length > 3;) {
    const count = corners.length;
    const before = (i + count - 1) % count;
    const [a, b, c] = [corners[before], corners[i], corners[(i + 1) % count]] as [Point, Point, Point];
    const between = [...(dropped.get(a) ?? []), b, ...(dropped.get(b) ?? [])];
    const line = { a, b: c, bulge: 0 };
    const isStraight =
      bulges[before] === 0 &&
      bulges[i] === 0 &&
      turn(a, b, c) < NO_CORNER_DEG &&
      between.every((point) => locate(line, point).off < NO_CORNER_MM);
    if (!isStraight) {
      i += 1;
      continue;
    }
    dropped.set(a, between);
    corners = corners.filter((_, k) => k !== i);
    bulges = bulges.filter((_, k) => k !== i);
  }
  return { corners, bulges };
}

function turn(a: Point, b: Point, c: Point): number {
  const [ux, uy, vx, vy] = [b.x - a.x, b.y - a.y, c.x - b.x, c.y - b.y];
  return toDegrees(Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)));
}

/** Whether an outline has too many sides to be a patch. */
export function hasTooManySides(outline: Outline): boolean {
  return outline.corners.length > MAX_SIDES;
}
