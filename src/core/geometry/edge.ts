import { distance, type Point } from './point';

/**
 * One side of an outline, from `a` to `b`. `bulge` is tan(arc angle / 4): 0 for a straight side, above zero when
 * the side bows out of the patch, below zero when it bows in. The outside lies to the left of the way from a to b
 * as seen on screen, because outlines run clockwise on screen.
 */
export interface Edge {
  readonly a: Point;
  readonly b: Point;
  readonly bulge: number;
}

/** A curve flatter than this is taken as straight: bulge below 1e-6 bows 25 nm on a 50 mm side. */
const FLAT_BULGE = 1e-6;

export interface Circle {
  readonly centre: Point;
  readonly radius: number;
}

/** Whether the side is straight. */
export function isStraight(edge: Edge): boolean {
  return Math.abs(edge.bulge) < FLAT_BULGE;
}

/** Centre and radius (mm) of a curved side. Call it for curved sides only. */
export function circleOf(edge: Edge): Circle {
  const { a, b, bulge } = edge;
  const chord = distance(a, b);
  const radius = (chord * (1 + bulge * bulge)) / (4 * Math.abs(bulge));
  const inward = (bulge * chord) / 2 - Math.sign(bulge) * radius;
  return {
    centre: {
      x: (a.x + b.x) / 2 + ((b.y - a.y) / chord) * inward,
      y: (a.y + b.y) / 2 - ((b.x - a.x) / chord) * inward,
    },
    radius,
  };
}

/** Angle swept from a to b, radians; above zero runs clockwise on screen. */
export function sweepOf(edge: Edge): number {
  return 4 * Math.atan(edge.bulge);
}

/** Length along the side, mm. */
export function edgeLength(edge: Edge): number {
  if (isStraight(edge)) return distance(edge.a, edge.b);
  return circleOf(edge).radius * Math.abs(sweepOf(edge));
}

/** The point `along` mm from `a`. */
export function pointAt(edge: Edge, along: number): Point {
  const { a, b } = edge;
  if (isStraight(edge)) {
    const share = along / distance(a, b);
    return { x: a.x + (b.x - a.x) * share, y: a.y + (b.y - a.y) * share };
  }
  const { centre, radius } = circleOf(edge);
  const angle = Math.atan2(a.y - centre.y, a.x - centre.x) + (Math.sign(edge.bulge) * along) / radius;
  return { x: centre.x + radius * Math.cos(angle), y: centre.y + radius * Math.sin(angle) };
}

/** Unit direction of travel `along` mm from `a`. */
export function directionAt(edge: Edge, along: number): Point {
  const { a, b } = edge;
  if (isStraight(edge)) {
    const length = distance(a, b);
    return { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  }
  const { centre, radius } = circleOf(edge);
  const turn = Math.sign(edge.bulge);
  const angle = Math.atan2(a.y - centre.y, a.x - centre.x) + (turn * along) / radius;
  return { x: -turn * Math.sin(angle), y: turn * Math.cos(angle) };
}

/** Where a point lies against a side: `along` mm from `a` (0 to the side's length) and how far off it, mm. */
export function locate(edge: Edge, point: Point): { along: number; off: number } {
  const length = edgeLength(edge);
  const free = isStraight(edge) ? alongLine(edge, point) : alongArc(edge, point);
  const along = Math.min(length, Math.max(0, free));
  return { along, off: distance(pointAt(edge, along), point) };
}

function alongLine({ a, b }: Edge, point: Point): number {
  return ((point.x - a.x) * (b.x - a.x) + (point.y - a.y) * (b.y - a.y)) / distance(a, b);
}

function alongArc(edge: Edge, point: Point): number {
  const { centre, radius } = circleOf(edge);
  const start = Math.atan2(edge.a.y - centre.y, edge.a.x - centre.x);
  const angle = Math.atan2(point.y - centre.y, point.x - centre.x);
  const sweep = Math.abs(sweepOf(edge));
  let turned = ((angle - start) * Math.sign(edge.bulge)) % (2 * Math.PI);
  if (turned < 0) turned += 2 * Math.PI;
  // Beyond the end, the nearer of the two ends is meant: split what is left of the circle in half.
  if (turned > (sweep + 2 * Math.PI) / 2) turned -= 2 * Math.PI;
  return turned * radius;
}

/** The stretch of a side between two places along it, mm from `a`. */
export function partOf(edge: Edge, from: number, to: number): Edge {
  const bulge = isStraight(edge) ? 0 : Math.tan((sweepOf(edge) / 4) * ((to - from) / edgeLength(edge)));
  return { a: pointAt(edge, from), b: pointAt(edge, to), bulge };
}

/** The same side travelled the other way (as a neighbour sees it, what bows out for one bows in for the other). */
export function reversed(edge: Edge): Edge {
  return { a: edge.b, b: edge.a, bulge: -edge.bulge };
}

/** Points along a side, ends included, no further than `sagMm` from the true curve. */
export function flatten(edge: Edge, sagMm: number): Point[] {
  if (isStraight(edge)) return [edge.a, edge.b];
  const { radius } = circleOf(edge);
  const step = 2 * Math.acos(Math.max(0, 1 - sagMm / radius)) || 0.1;
  const parts = Math.max(2, Math.ceil(Math.abs(sweepOf(edge)) / step));
  const length = edgeLength(edge);
  const inner = Array.from({ length: parts - 1 }, (_, i) => pointAt(edge, (length * (i + 1)) / parts));
  return [edge.a, ...inner, edge.b];
}
