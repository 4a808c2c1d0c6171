import polylabel from 'polylabel';
import { toPolygon, type Outline } from './outline';
import { perOutline } from './perOutline';
import type { Point } from './point';

/** How near the best place the search ends, mm. */
const PRECISION_MM = 0.2;

/** Where an outline has the most room all round. */
export interface Roomiest {
  readonly at: Point;
  /** Distance to the nearest side, mm. */
  readonly roomMm: number;
}

/** The place within an outline that lies farthest from its rim: for a hole, a number, a letter. */
export const roomiest: (outline: Outline) => Roomiest = perOutline((outline) => {
  const ring = toPolygon(outline, 0.1).map(({ x, y }) => [x, y] as const);
  const found = polylabel([ring], PRECISION_MM);
  return { at: { x: found[0], y: found[1] }, roomMm: found.distance };
});
