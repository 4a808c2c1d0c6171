import { floatAt, itemAt } from '../lists';
import type { ConvexPart } from './convexParts';

/**
 * Where the second of two shapes may not lie: all places of its origin, seen from the origin of the first, at which the two
 * overlap. One convex region for each pair of convex parts (the Minkowski sum of one and the other turned half round).
 */
export interface NoFit {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
  /** Each region: its box (least x, greatest x, least y, greatest y), then its sides: outward normal x, y and how far out, mm. */
  readonly faces: readonly Float64Array[];
  /** Corners of each region, clockwise on screen: x, y. */
  readonly rims: readonly Float64Array[];
}

/** An overlap as small as this is a touch: what fits exactly is not left out by rounding, mm. */
const TOUCH_MM = 1e-4;

/** Corners as high as each other but for rounding, mm. */
const LEVEL_MM = 1e-7;

/** Cost: corners of both, for each pair of their parts. */
export function noFitOf(first: readonly ConvexPart[], second: readonly ConvexPart[]): NoFit {
  const rims = first.flatMap((a) => second.map((b) => minkowski(a, b)));
  const xs = rims.flatMap((rim) => [...rim].filter((_, i) => i % 2 === 0));
  const ys = rims.flatMap((rim) => [...rim].filter((_, i) => i % 2 === 1));
  return {
    minX: Math.min(...xs),
    minY: Math.min(...ys),
    maxX: Math.max(...xs),
    maxY: Math.max(...ys),
    faces: rims.map(boxedFacesOf),
    rims,
  };
}

/** Convex polygon of all differences a − b: sides of both in the order of their directions. */
function minkowski(a: ConvexPart, b: ConvexPart): Float64Array {
  const against = b.map((value) => -value);
  const [i, k] = [topOf(a), topOf(against)];
  let [x, y] = [floatAt(a, i) + floatAt(against, k), floatAt(a, i + 1) + floatAt(against, k + 1)];
  const steps = [...sidesFrom(a, i), ...sidesFrom(against, k)].sort((p, q) => p.angle - q.angle);
  const rim: number[] = [];
  let last = NaN;
  for (const { dx, dy, angle } of steps) {
    // Sides in one direction become one side.
    if (!(Math.abs(angle - last) < 1e-9)) rim.push(x, y);
    [x, y, last] = [x + dx, y + dy, angle];
  }
  return Float64Array.from(rim);
}

/** The corner furthest up, of those the one furthest left: from it clockwise on screen the sides turn once round. */
function topOf(part: ConvexPart): number {
  let best = 0;
  for (let i = 2; i < part.length; i += 2) {
    const higher = floatAt(part, i + 1) - floatAt(part, best + 1);
    // Level but for rounding counts as level, or the first side would be taken for the last.
    if (higher < -LEVEL_MM || (higher < LEVEL_MM && floatAt(part, i) < floatAt(part, best))) best = i;
  }
  return best;
}

/** Turns from side to side are told apart from a turn back by rounding, radians. */
const TURN_RAD = 1e-6;

/** Sides in turn, their directions rising from the first one's: the first may rise by a rounding, the last may be as good as level. */
function sidesFrom(part: ConvexPart, top: number) {
  const count = part.length;
  let before = -Math.PI / 2;
  return Array.from({ length: count / 2 }, (_, step) => {
    const [i, k] = [(top + 2 * step) % count, (top + 2 * step + 2) % count];
    const [dx, dy] = [floatAt(part, k) - floatAt(part, i), floatAt(part, k + 1) - floatAt(part, i + 1)];
    const angle = Math.atan2(dy, dx);
    before = angle < before - TURN_RAD ? angle + 2 * Math.PI : angle;
    return { dx, dy, angle: before };
  });
}

function boxedFacesOf(rim: Float64Array): Float64Array {
  const xs = rim.filter((_, i) => i % 2 === 0);
  const ys = rim.filter((_, i) => i % 2 === 1);
  const box = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  return Float64Array.from([...box, ...facesOf(rim)]);
}

/** Where the sides begin, after the box. */
const SIDES_AT = 4;

function facesOf(rim: Float64Array): Float64Array {
  const count = rim.length;
  const faces: number[] = [];
  for (let i = 0; i < count; i += 2) {
    const [x, y] = [floatAt(rim, i), floatAt(rim, i + 1)];
    const [dx, dy] = [floatAt(rim, (i + 2) % count) - x, floatAt(rim, (i + 3) % count) - y];
    const length = Math.hypot(dx, dy);

    const [nx, ny] = [dy / length, -dx / length];
    faces.push(nx, ny, nx * x + ny * y);
  }
  return Float64Array.from(faces);
}

/** How far the second shape must move to be clear of the first, mm; summed over pairs of parts, 0 where they are clear. */
export function depthAt(noFit: NoFit, x: number, y: number, touchMm = TOUCH_MM): number {
  if (x <= noFit.minX || x >= noFit.maxX || y <= noFit.minY || y >= noFit.maxY) return 0;
  let sum = 0;
  for (const faces of noFit.faces) sum += depthIn(faces, x, y, touchMm);
  return sum;
}

function depthIn(faces: Float64Array, x: number, y: number, touchMm: number): number {
  if (x <= floatAt(faces, 0) || x >= floatAt(faces, 1) || y <= floatAt(faces, 2) || y >= floatAt(faces, 3))
    return 0;
  let least = Infinity;
  for (let i = SIDES_AT; i < faces.length; i += 3) {
    const inside = floatAt(faces, i + 2) - floatAt(faces, i) * x - floatAt(faces, i + 1) * y;
    if (inside <= touchMm) return 0;
    if (inside < least) least = inside;
  }
  return least;
}

/** The shortest way out of the region that holds it deepest: mm to the right and down; 0, 0 where it is clear. */
export function wayOut(noFit: NoFit, x: number, y: number): readonly [number, number] {
  let deepest = 0;
  let [outX, outY] = [0, 0];
  for (const faces of noFit.faces) {
    const depth = depthIn(faces, x, y, TOUCH_MM);
    if (depth <= deepest) continue;
    deepest = depth;
    for (let i = SIDES_AT; i < faces.length; i += 3) {
      const [nx, ny] = [floatAt(faces, i), floatAt(faces, i + 1)];
      if (Math.abs(floatAt(faces, i + 2) - nx * x - ny * y - depth) < 1e-9)
        [outX, outY] = [nx * depth, ny * depth];
    }
  }
  return [outX, outY];
}

/** No list of poses grows longer. */
const MOST_SHAPES = 1 << 16;

/** Remembers the regions of all pairs that were asked for; the list of shapes may grow. */
export function noFitTable(shapes: readonly { readonly parts: readonly ConvexPart[] }[]) {
  const known = new Map<number, NoFit>();
  // Few shapes, as nearly always: a plain list is read several times as fast as a map.
  const near: (NoFit | undefined)[] = [];
  const side = shapes.length + 8;
  return (first: number, second: number): NoFit => {
    const isNear = first < side && second < side;
    const key = isNear ? first * side + second : first * MOST_SHAPES + second;
    const found = isNear ? near[key] : known.get(key);
    if (found) return found;
    const made = noFitOf(itemAt(shapes, first).parts, itemAt(shapes, second).parts);
    if (isNear) near[key] = made;
    else known.set(key, made);
    return made;
  };
}

export type NoFitTable = ReturnType<typeof noFitTable>;
