import { findSelfCrossing, type Point } from '../geometry';
import { itemAt } from '../lists';
import { polygonArea } from '../nesting';
import { listAt, numberAt, refuse } from './read';

const MOST_CORNERS = 500;

/** Farther than this nothing lies, mm. */
export const FAR_MM = 100_000;

/** Corners nearer than this are one, mm. */
const SAME_MM = 1e-4;

/** Smaller than this nothing can be cut, mm². */
const LEAST_AREA_MM2 = 0.5;

/** A point [x, y], mm. */
export function pointAt(value: unknown, place: string): Point {
  const pair = listAt(value, place, 2);
  const [x, y] = [0, 1].map((axis) => numberAt(pair[axis], `${place}[${axis}]`, { least: -FAR_MM, most: FAR_MM }));
  return { x: x ?? 0, y: y ?? 0 };
} // prettier-ignore

/** A polygon that does not cross itself, turned clockwise on screen; corners given twice count once. */
export function polygonAt(value: unknown, place: string): readonly Point[] {
  const all = listAt(value, place, MOST_CORNERS).map((one, index) => pointAt(one, `${place}[${index}]`));
  const corners = all.filter((point, index) => {
    const next = itemAt(all, (index + 1) % all.length);
    return Math.hypot(point.x - next.x, point.y - next.y) > SAME_MM;
  });
  if (corners.length < 3)
    refuse(place, 'fewer than three different corners make no outline.', 'Give its corners in turn, as [x, y] in mm.');
  const area = polygonArea(corners);
  const crossing = findSelfCrossing({ corners, bulges: corners.map(() => 0) });
  if (crossing)
    refuse(place, `the outline crosses or touches itself near ${crossing.x.toFixed(1)}, ${crossing.y.toFixed(1)}.`, 'List its corners in turn, once round.');
  if (Math.abs(area) < LEAST_AREA_MM2)
    refuse(place, `an area of ${Math.abs(area).toFixed(2)} mm² is too small to cut.`, 'Check that lengths are in millimetres.');
  return area > 0 ? corners : [...corners].reverse();
} // prettier-ignore
