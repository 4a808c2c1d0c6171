/** A place in the drawing: millimetres, x to the right, y down, as seen from the front. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Two places closer than this are the same point, mm. */
export const SAME_POINT_MM = 0.1;

/** Two lengths closer than this are the same length, mm. */
export const SAME_LENGTH_MM = 0.25;

/** A turn below this is no bend, degrees. */
export const STRAIGHT_DEG = 1;

/** Distance between two points, mm. */
export function distance(a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  // Several times as fast as Math.hypot, whose guard against overflow millimetres do not need.
  return Math.sqrt(dx * dx + dy * dy);
}

/** Radians to degrees. */
export function toDegrees(radians: number): number {
  return (radians * 180) / Math.PI;
}

/** Degrees to radians. */
export function toRadians(degrees: number): number {
  return (degrees * Math.PI) / 180;
}

/** How far direction `b` turns from direction `a`, degrees, 0 to 180, either way. */
export function turnDegrees(a: Point, b: Point): number {
  return toDegrees(Math.abs(Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y)));
}
