import { itemAt } from '../lists';
import { SAME_POINT_MM, cornerAngles, edgeLength, locate, type Edge, type Point } from '../geometry';
import type { SeamGraph } from './seamGraph';

/** A point round which the papers' angles do not make a full turn. */
export interface FlatFault {
  readonly at: Point;
  /** What is missing (above zero: the work cups) or too much (below zero: it ruffles), degrees. */
  readonly missingDeg: number;
  readonly patches: readonly string[];
}

/** Whether the work lies flat. */
export interface Flatness {
  /** Points wholly surrounded by papers. */
  readonly innerPoints: number;
  readonly faults: readonly FlatFault[];
}

/** Less than this off a full turn is taken up by the cloth, degrees. */
const FLAT_DEG = 0.5;
/** Drawn exactly, corners meet to within this, degrees. */
const WHOLE_DEG = 1e-3;
/** More than this missing is an open edge, not a fault, degrees. */
const OPEN_DEG = 20;
/** Corners this near to each other were meant to meet, mm. */
const MEANT_MM = 1;

/**
 * Adds up the papers' angles round every point where three or more patches meet. 360° lies flat; less cups, more
 * ruffles. Corners within 1 mm of each other count as one point, so that a slight misfit is found before it is sewn.
 * Cost: near-linear, by a spatial index.
 */
export function findFlatness(graph: SeamGraph): Flatness {
  const { patches, sides, isInner } = graph;
  const innerPoints = isInner.filter(Boolean).length;
  // Corner k of a patch is where its side k starts: sides and corners share their numbers.
  const angles = patches.flatMap(({ outline }) => cornerAngles(outline));
  const layerOf = (side: number) => patches[itemAt(sides.patchOf, side)]?.layer;
  // Where the corners at one place make the full turn by themselves there is nothing to look for.
  const sums = new Float64Array(sides.places.length);
  angles.forEach((angle, side) => {
    const place = itemAt(sides.startPlace, side);
    sums[place] = itemAt(sums, place) + angle;
  });
  const isWhole = (side: number) => Math.abs(itemAt(sums, itemAt(sides.startPlace, side)) - 360) < WHOLE_DEG;
  const seen = new Uint8Array(angles.length);
  const faults: FlatFault[] = [];
  sides.edges.forEach(({ a: at }, first) => {
    if (seen[first] || (isInner[itemAt(sides.startPlace, first)] && isWhole(first))) return;
    const layer = layerOf(first);
    const isMeant = ({ x, y }: Point) => Math.abs(x - at.x) <= MEANT_MM && Math.abs(y - at.y) <= MEANT_MM;
    const near = sides.index.search(
      at.x - MEANT_MM,
      at.y - MEANT_MM,
      at.x + MEANT_MM,
      at.y + MEANT_MM,
      (side) => layerOf(side) === layer,
    );
    const meeting = near.filter((side) => isMeant(itemAt(sides.edges, side).a));
    for (const i of meeting) seen[i] = 1;
    const own = new Set(meeting.map((i) => itemAt(sides.patchOf, i)));
    const through = near.filter(
      (side) => !own.has(itemAt(sides.patchOf, side)) && passes(itemAt(sides.edges, side), at),
    );
    const sum = meeting.reduce((total, i) => total + itemAt(angles, i), 0) + through.length * 180;
    const missingDeg = 360 - sum;
    const all = [...own, ...through.map((side) => itemAt(sides.patchOf, side))];
    if (all.length < 3 || Math.abs(missingDeg) <= FLAT_DEG || missingDeg > OPEN_DEG) return;
    faults.push({ at, missingDeg, patches: [...new Set(all)].map((i) => patches[i]?.id as string) });
  });
  return { innerPoints, faults };
}

/** Whether a point lies on a side, away from its ends. */
function passes(edge: Edge, at: Point): boolean {
  const { along, off } = locate(edge, at);
  const isOn = off <= MEANT_MM / 2 + SAME_POINT_MM;
  return isOn && along > MEANT_MM && along < edgeLength(edge) - MEANT_MM;
}
