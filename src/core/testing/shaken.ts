import { chanceFrom } from '../chance';
import { itemAt } from '../lists';
import type { Patch } from '../block';
import { distance, type Point } from '../geometry';
import { patch } from './mosaics';

/** Numbers from 0 up to 1, the same for the same seed (mulberry32). */
export const seededRandom = chanceFrom;

/**
 * The same patches with every corner of every one moved by itself by up to `byMm` to the left or right, up or down, as
 * rough drawings have them. Arcs keep their radius, as drawing programs write them.
 */
export function shaken(patches: readonly Patch[], byMm: number, random: () => number): Patch[] {
  const off = () => (random() * 2 - 1) * byMm;
  return patches.map((one) => {
    const { corners, bulges } = one.outline;
    const moved = corners.map(({ x, y }): Point => ({ x: x + off(), y: y + off() }));
    return {
      ...one,
      outline: { corners: moved, bulges: bulges.map((bulge, i) => rebent(bulge, corners, moved, i)) },
    };
  });
}

function rebent(bulge: number, was: readonly Point[], now: readonly Point[], i: number): number {
  if (bulge === 0) return 0;
  const next = (i + 1) % was.length;
  const chord = distance(itemAt(was, i), itemAt(was, next));
  const radius = (chord * (1 + bulge * bulge)) / (4 * Math.abs(bulge));
  const half = Math.asin(Math.min(1, distance(itemAt(now, i), itemAt(now, next)) / (2 * radius)));
  const sweep = Math.abs(bulge) > 1 ? 2 * (Math.PI - half) : 2 * half;
  return Math.sign(bulge) * Math.tan(sweep / 4);
}

/**
 * A rectangle cut by straight lines in any direction, piece by piece, with T-junctions wherever a line ends. Cuts that would
 * leave a side shorter than `leastMm` are not made.
 */
export function cutAtRandom(
  widthMm: number,
  heightMm: number,
  cuts: number,
  leastMm: number,
  random: () => number,
): Patch[] {
  type Polygon = Point[];
  let pieces: Polygon[] = [[{ x: 0, y: 0 }, { x: widthMm, y: 0 }, { x: widthMm, y: heightMm }, { x: 0, y: heightMm }]]; // prettier-ignore
  const corners: Point[] = [...itemAt(pieces, 0)];
  for (let tries = 0, made = 0; made < cuts && tries < cuts * 30; tries++) {
    pieces.sort((a, b) => area(b) - area(a));
    const piece = itemAt(pieces, 0);
    const at = {
      x: piece.reduce((sum, p) => sum + p.x, 0) / piece.length + (random() - 0.5) * 20,
      y: piece.reduce((sum, p) => sum + p.y, 0) / piece.length + (random() - 0.5) * 20,
    };
    const angle = random() * Math.PI;
    const parts = parted(piece, at, { x: Math.cos(angle), y: Math.sin(angle) });
    if (!parts) continue;
    const fresh = parts[0].filter((p) => !piece.includes(p));
    const isFree = fresh.every((p) => corners.every((q) => distance(p, q) >= leastMm));
    if (!isFree || distance(itemAt(fresh, 0), itemAt(fresh, 1)) < leastMm) continue;
    corners.push(...fresh);
    pieces = [...pieces.slice(1), ...parts];
    made += 1;
  }
  return pieces.map((points, i) =>
    patch(
      i,
      points.map(({ x, y }) => [x, y] as const),
    ),
  );
}

function area(points: readonly Point[]): number {
  return Math.abs(points.reduce((sum, p, i) => {
    const q = itemAt(points, (i + 1) % points.length);
    return sum + p.x * q.y - q.x * p.y;
  }, 0)) / 2; // prettier-ignore
}

function parted(points: readonly Point[], at: Point, along: Point): [Point[], Point[]] | undefined {
  const off = ({ x, y }: Point) => (x - at.x) * along.y - (y - at.y) * along.x;
  const [left, right]: [Point[], Point[]] = [[], []];
  let crossings = 0;
  points.forEach((p, i) => {
    const q = itemAt(points, (i + 1) % points.length);
    const [a, b] = [off(p), off(q)];
    (a >= 0 ? left : right).push(p);
    if (a >= 0 === b >= 0) return;
    const place = { x: p.x + ((q.x - p.x) * a) / (a - b), y: p.y + ((q.y - p.y) * a) / (a - b) };
    left.push(place);
    right.push(place);
    crossings += 1;
  });
  return crossings === 2 ? [left, right] : undefined;
}
