import type { Point } from '../geometry';
import { itemAt } from '../lists';

/** Four points of a picture: the corners of a rectangle seen aslant, from its upper left one clockwise; pixels. */
export type Quad = readonly [Point, Point, Point, Point];

/** A picture: four bytes a pixel, row by row. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/** A part of the rectangle, as shares of its sides: 0, 0 to 1, 1 is all of it. */
export interface Part {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A corner turns by at least this, as the sine of its angle: flatter ones show nothing. */
const LEAST_SINE = 0.05;

/** Whether four points can be the corners of a rectangle that is seen from somewhere: convex and clockwise on screen. */
export function isSeenRectangle(quad: Quad): boolean {
  return quad.every((corner, index) => {
    const [before, after] = [itemAt(quad, (index + 3) % 4), itemAt(quad, (index + 1) % 4)];
    const [ux, uy] = [corner.x - before.x, corner.y - before.y];
    const [vx, vy] = [after.x - corner.x, after.y - corner.y];
    return ux * vy - uy * vx > LEAST_SINE * Math.hypot(ux, uy) * Math.hypot(vx, vy);
  });
}

/**
 * Where points of the unit square lie in a picture of it: the projective map of the square onto a quadrilateral
 * (P. Heckbert, Fundamentals of Texture Mapping and Image Warping, 1989, 2.2.3).
 */
export function projection([p0, p1, p2, p3]: Quad): (u: number, v: number) => Point {
  const [dx1, dy1, dx2, dy2] = [p1.x - p2.x, p1.y - p2.y, p3.x - p2.x, p3.y - p2.y];
  const [sx, sy] = [p0.x - p1.x + p2.x - p3.x, p0.y - p1.y + p2.y - p3.y];
  const whole = dx1 * dy2 - dx2 * dy1;
  const [g, h] = [(sx * dy2 - dx2 * sy) / whole, (dx1 * sy - sx * dy1) / whole];
  const [a, b] = [p1.x - p0.x + g * p1.x, p3.x - p0.x + h * p3.x];
  const [d, e] = [p1.y - p0.y + g * p1.y, p3.y - p0.y + h * p3.y];
  return (u, v) => {
    const w = g * u + h * v + 1;
    return { x: (a * u + b * v + p0.x) / w, y: (d * u + e * v + p0.y) / w };
  };
}

/**
 * A part of the rectangle as it is seen from above; between pixels it is mixed from the four round a place, beyond the picture its rim
 * goes on. Cost: pixels of the result.
 */
export function straightened(
  picture: Pixels,
  quad: Quad,
  part: Part,
  width: number,
  height: number,
): Pixels & { readonly data: Uint8ClampedArray<ArrayBuffer> } {
  const at = projection(quad);
  const data = new Uint8ClampedArray(4 * width * height);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const u = part.x + (part.width * (column + 0.5)) / width;
      const v = part.y + (part.height * (row + 0.5)) / height;
      mix(picture, at(u, v), data, 4 * (row * width + column));
    }
  return { width, height, data };
}

/** Writes the colour at a place of a picture; the middle of a pixel lies half a pixel from its corner. */
function mix({ width, height, data }: Pixels, { x, y }: Point, into: Uint8ClampedArray, at: number): void {
  const [px, py] = [clamp(x - 0.5, width - 1), clamp(y - 0.5, height - 1)];
  const [left, top] = [Math.floor(px), Math.floor(py)];
  const [right, bottom] = [Math.min(left + 1, width - 1), Math.min(top + 1, height - 1)];
  const [fx, fy] = [px - left, py - top];
  for (let channel = 0; channel < 4; channel++) {
    const own = (column: number, row: number) => data[4 * (row * width + column) + channel] ?? 0;
    const above = own(left, top) * (1 - fx) + own(right, top) * fx;
    const below = own(left, bottom) * (1 - fx) + own(right, bottom) * fx;
    into[at + channel] = Math.round(above * (1 - fy) + below * fy);
  }
}

const clamp = (value: number, most: number) => Math.max(0, Math.min(most, value));
