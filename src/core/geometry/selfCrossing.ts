import { itemAt } from '../lists';
import Flatbush from 'flatbush';
import { orient2d } from 'robust-predicates';
import { boxOfPoints } from './boundingBox';
import { locate } from './edge';
import { toPolygon, type Outline } from './outline';
import type { Point } from './point';

/** A corner closer than this to a side it does not belong to touches it, mm. */
const TOUCH_MM = 0.02;

/**
 * Finds a place where an outline crosses or touches itself, or undefined.
 * Cost: near-linear in the number of sides, by a spatial index.
 */
export function findSelfCrossing(outline: Outline): Point | undefined {
  const polygon = toPolygon(outline, 0.05);
  const count = polygon.length;
  if (count < 4) return undefined;
  const index = new Flatbush(count);
  const side = (i: number): [Point, Point] => [itemAt(polygon, i), itemAt(polygon, (i + 1) % count)];
  for (let i = 0; i < count; i++) {
    const box = boxOfPoints(side(i));
    index.add(box.minX, box.minY, box.maxX, box.maxY);
  }
  index.finish();
  for (let i = 0; i < count; i++) {
    const [a, b] = side(i);
    const box = boxOfPoints([a, b]);
    for (const j of index.search(
      box.minX - TOUCH_MM,
      box.minY - TOUCH_MM,
      box.maxX + TOUCH_MM,
      box.maxY + TOUCH_MM,
    )) {
      if (j <= i + 1 || (i === 0 && j === count - 1)) continue;
      const [c, d] = side(j);
      const place = meeting(a, b, c, d);
      if (place) return place;
    }
  }
  return undefined;
}

function meeting(a: Point, b: Point, c: Point, d: Point): Point | undefined {
  for (const [point, from, to] of [
    [c, a, b],
    [d, a, b],
    [a, c, d],
    [b, c, d],
  ] as const) {
    if (locate({ a: from, b: to, bulge: 0 }, point).off < TOUCH_MM) return point;
  }
  if (sideOf(a, b, c) * sideOf(a, b, d) >= 0 || sideOf(c, d, a) * sideOf(c, d, b) >= 0) return undefined;
  const [rx, ry, sx, sy] = [b.x - a.x, b.y - a.y, d.x - c.x, d.y - c.y];
  const share = ((c.x - a.x) * sy - (c.y - a.y) * sx) / (rx * sy - ry * sx);
  return { x: a.x + share * rx, y: a.y + share * ry };
}

function sideOf(a: Point, b: Point, p: Point): number {
  return Math.sign(orient2d(a.x, a.y, b.x, b.y, p.x, p.y));
}
