import { itemAt, lastOf } from '../lists';
import { toPolygon, type Outline } from './outline';
import { perOutline } from './perOutline';
import type { Point } from './point';

/** An upright box, mm. */
export interface Box {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

/** The smallest upright box round points. */
export function boxOfPoints(points: Iterable<Point>): Box {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y } of points) {
    minX = Math.min(minX, x);
    minY = Math.min(minY, y);
    maxX = Math.max(maxX, x);
    maxY = Math.max(maxY, y);
  }
  return { minX, minY, maxX, maxY };
}

/** The smallest upright box round an outline, curves included. */
export const boxOf = perOutline((outline): Box => boxOfPoints(toPolygon(outline)));

/** A box that may lie at an angle. */
export interface TurnedBox {
  /** The longer side, mm. */
  readonly length: number;
  /** The shorter side, mm. */
  readonly width: number;
  /** Direction of the longer side, radians. */
  readonly angle: number;
}

/**
 * The box of least width that holds an outline: the strip a patch is cut from.
 * A least-width strip always lies flush with a side of the convex hull, so trying those directions is enough
 * (Houle and Toussaint, 1988). Ties go to the smaller area. Cost: sides of the hull × points.
 */
export function narrowestBox(outline: Outline): TurnedBox {
  const hull = convexHull(toPolygon(outline, 0.05));
  let best: TurnedBox | undefined;
  hull.forEach((point, index) => {
    const next = itemAt(hull, (index + 1) % hull.length);
    const box = boxAlong(hull, Math.atan2(next.y - point.y, next.x - point.x));
    if (!best || isNarrower(box, best)) best = box;
  });
  return best ?? { length: 0, width: 0, angle: 0 };
}

function isNarrower(a: TurnedBox, b: TurnedBox): boolean {
  if (Math.abs(a.width - b.width) > 1e-6) return a.width < b.width;
  return a.length < b.length - 1e-6;
}

function boxAlong(points: readonly Point[], angle: number): TurnedBox {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const box = boxOfPoints(points.map(({ x, y }) => ({ x: x * cos + y * sin, y: y * cos - x * sin })));
  const [along, across] = [box.maxX - box.minX, box.maxY - box.minY];
  return along >= across
    ? { length: along, width: across, angle }
    : { length: across, width: along, angle: angle + Math.PI / 2 };
}

/** Convex hull by monotone chain (Andrew, 1979). */
function convexHull(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((p, q) => p.x - q.x || p.y - q.y);
  const half = (run: readonly Point[]) => {
    const chain: Point[] = [];
    for (const point of run) {
      while (chain.length > 1 && cross(chain.at(-2) as Point, lastOf(chain), point) <= 1e-9) chain.pop();
      chain.push(point);
    }
    return chain.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.reverse())];
}

function cross(o: Point, a: Point, b: Point): number {
  return (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x);
}
