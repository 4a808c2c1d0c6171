import { itemAt } from '../lists';
import Flatbush from 'flatbush';
import { boxOfPoints, edgeOf, edgeLength, flatten, locate, type Edge, type Point } from '../geometry';
import type { Patch } from '../block';
import type { Corners } from './corners';

/** One side of a patch with the places that lie on it. */
export interface WeldSide {
  readonly patch: number;
  readonly side: number;
  readonly edge: Edge;
  readonly lengthMm: number;
  /** Places along it: where it starts, corners of neighbours on the way, where it ends. */
  readonly places: readonly number[];
  /** How far along the side each place lies, mm. */
  readonly alongs: readonly number[];
}

/** Sides shorter than this many reaches take no corners of others. */
const SHORTEST_TAKING = 2;

/**
 * Finds for every side the places that lie on it: corners of neighbours within reach of it, away from its ends.
 * Cost: near-linear, by a spatial index.
 */
export function placesOnSides(patches: readonly Patch[], corners: Corners, reachMm: number): WeldSide[] {
  const { places, placeReach, placeOf, firstOf } = corners;
  const drawn = [...firstOf].flatMap(([patch, first]) => {
    const { outline } = itemAt(patches, patch);
    return outline.corners.map((_, side) => {
      const edge = edgeOf(outline, side);
      const end = (side + 1) % outline.corners.length;
      const ends = [itemAt(placeOf, first + side), itemAt(placeOf, first + end)] as const;
      return { patch, side, edge, lengthMm: edgeLength(edge), ends };
    });
  });
  const cornersOfPatch = new Map<number, Set<number>>();
  for (const [patch, first] of firstOf) {
    const count = itemAt(patches, patch).outline.corners.length;
    cornersOfPatch.set(patch, new Set(placeOf.slice(first, first + count)));
  }
  const near = indexPlaces(places);
  return drawn.map(({ ends, ...side }) => {
    const { edge, patch, lengthMm } = side;
    const { minX, minY, maxX, maxY } = boxOfPoints(flatten(edge, 0.05));
    const own = cornersOfPatch.get(patch) as ReadonlySet<number>;
    const on =
      lengthMm < SHORTEST_TAKING * reachMm
        ? []
        : near.search(minX - reachMm, minY - reachMm, maxX + reachMm, maxY + reachMm).flatMap((place) => {
            if (own.has(place)) return [];
            const most = Math.min(itemAt(placeReach, place), lengthMm / 4);
            const { along, off } = locate(edge, itemAt(places, place));
            return off <= most && along > most && along < lengthMm - most ? [{ place, along }] : [];
          });
    on.sort((p, q) => p.along - q.along || p.place - q.place);
    return {
      ...side,
      places: [ends[0], ...on.map(({ place }) => place), ends[1]],
      alongs: [0, ...on.map(({ along }) => along), lengthMm],
    };
  });
}

function indexPlaces(places: readonly Point[]): Flatbush {
  const index = new Flatbush(Math.max(1, places.length));
  for (const { x, y } of places) index.add(x, y, x, y);
  if (places.length === 0) index.add(0, 0, 0, 0);
  index.finish();
  return index;
}
