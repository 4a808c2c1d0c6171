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
/** Most sides of one patch. */
const MAX_SIDES = 2_000;
/** Nothing sewn is larger than this, mm. */
const MAX_COORDINATE_MM = 50_000;

const CURVE_NAMES: Readonly<Record<string, string>> = {
  C: 'a Bézier curve',
  S: 'a Bézier curve',
  Q: 'a Bézier curve',
  T: 'a Bézier curve',
};

/** Reads path data into outlines in millimetres, clockwise on screen. Straight lines and circular arcs only. */
export function pathOutlines(d: string, toMm: Matrix): PathReading {
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
  if (!values.every((value) => Math.abs(value) < MAX_COORDINATE_MM)) {
    const mend = 'Check the numbers in the drawing and its width.';
    return {
      fault: `reaches further than ${MAX_COORDINATE_MM / 1000} m, or not to a number, at command ${index + 1} (${letter})`,
      mend,
      at: from,
    };
  }
  if (letter === 'M') draft.moveTo(at);
  else if (letter === 'L') draft.lineTo(at, 0);
  else if (letter === 'H') draft.lineTo({ x: values[0] as number, y: from.y }, 0);
  else if (letter === 'V') draft.lineTo({ x: from.x, y: values[0] as number }, 0);
  else if (letter === 'Z') draft.close();
  else if (letter === 'A') {
    const [rx, ry] = values as [number, number];
    if (Math.abs(rx - ry) > 1e-3 * Math.max(rx, ry)) {
      return refusedCurve('an elliptical arc', index, letter, from);
    }
    draft.lineTo(at, bulgeOf(from, at, rx, values[3] === 1, values[4] === 1));
  } else return refusedCurve(CURVE_NAMES[letter] ?? 'something unknown', index, letter, from);
  return undefined;
}

function refusedCurve(what: string, index: number, letter: string, { x, y }: Point): PathReading {
  return {
    fault: `has ${what} at command ${index + 1} (${letter}), near ${x.toFixed(1)} mm, ${y.toFixed(1)} mm`,
    mend: 'Redraw that side with straight lines or circular arcs (A with equal radii).',
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
  const distinct = dropCorners(raw, (before, corner) => distance(before, corner) <= SAME_POINT_MM / 2);
  const outline =
    distinct.corners.length < 2 || signedArea(distinct) >= 0 ? distinct : reversedOutline(distinct);
  return dropStraightCorners(outline);
}

function dropCorners(
  { corners, bulges }: Outline,
  isRepeated: (before: Point, corner: Point) => boolean,
): Outline {
  const keep = corners.flatMap((corner, i) => {
    const before = corners[(i + corners.length - 1) % corners.length] as Point;
    return corners.length > 1 && isRepeated(before, corner) ? [] : [i];
  });
  // The side that leaves a dropped corner takes the place of the vanishing one that led to it.
  return {
    corners: keep.map((i) => corners[i] as Point),
    bulges: keep.map((start, k) => {
      const next = keep[(k + 1) % keep.length] as number;
      const span = (next - start + corners.length) % corners.length || corners.length;
      const sides = Array.from({ length: span }, (_, step) => (start + step) % corners.length);
      const longest = sides.reduce((best, side) =>
        sideChord(corners, side) > sideChord(corners, best) ? side : best,
      );
      return bulges[longest] as number;
    }),
  };
}

function sideChord(corners: readonly Point[], side: number): number {
  return distance(corners[side] as Point, corners[(side + 1) % corners.length] as Point);
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
