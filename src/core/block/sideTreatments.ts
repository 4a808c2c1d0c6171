import { itemAt } from '../lists';
import Flatbush from 'flatbush';
import { boxOf, edgeLength, edgesOf, isInside, outwardAt, pointAt, toPolygon, type Point } from '../geometry';
import type { Patch } from './patch';
import type { SeamGraph } from './seamGraph';

/** What becomes of one side of a patch, and why. */
export interface SideTreatment {
  readonly side: number;
  readonly is: 'sewn' | 'turned' | 'raw';
  readonly reason: string;
  /** Whether the host decided it. */
  readonly isChosen: boolean;
}

/** How far inside the covering patch a raw side must lie, mm: what is left must be held down. */
const COVER_MM = 3;

/**
 * Says for each side of each patch whether it is sewn to a neighbour, turned under, or may stay raw because a piece of
 * a higher layer covers it. The host's own decisions come first.
 * @returns one list per patch, in the order of its sides
 */
export function sideTreatments(graph: SeamGraph): SideTreatment[][] {
  const { patches, seams, sides } = graph;
  const layers = new Set(patches.map(({ layer }) => layer));
  const isSewn = new Uint8Array(sides.edges.length);
  for (const { patches: pair, start, end } of seams)
    for (const which of [0, 1] as const)
      for (const { sides: own } of [start, end]) isSewn[itemAt(sides.firstOf, pair[which]) + own[which]] = 1;
  const covers = layers.size > 1 ? new Covers(patches) : undefined;
  return patches.map((patch, index) =>
    edgesOf(patch.outline).map((edge, side): SideTreatment => {
      const chosen = patch.edges?.[side];
      if (chosen) return { side, is: chosen, reason: 'chosen by the host', isChosen: true };
      if (isSewn[itemAt(sides.firstOf, index) + side])
        return { side, is: 'sewn', reason: 'sewn to its neighbour', isChosen: false };
      const length = edgeLength(edge);
      const out = outwardAt(edge);
      const points = [0.02, 0.5, 0.98].map((share) => pointAt(edge, length * share));
      const over = covers?.over(
        patch.layer,
        points.map(({ x, y }) => ({ x: x - out.x * 0.01, y: y - out.y * 0.01 })),
        out,
      );
      if (over) return { side, is: 'raw', reason: `${over} covers it: it may stay raw`, isChosen: false };
      const reason =
        patch.layer > Math.min(...layers) ? 'appliquéd: turned under' : 'open edge: turned under';
      return { side, is: 'turned', reason, isChosen: false };
    }),
  );
}

/** Finds the patch of a higher layer that covers points, with something to spare. */
class Covers {
  private readonly polygons: readonly (readonly Point[])[];
  private readonly index: Flatbush;

  constructor(private readonly patches: readonly Patch[]) {
    this.polygons = patches.map(({ outline }) => toPolygon(outline, 0.05));
    this.index = new Flatbush(patches.length);
    for (const { outline } of patches) {
      const { minX, minY, maxX, maxY } = boxOf(outline);
      this.index.add(minX, minY, maxX, maxY);
    }
    this.index.finish();
  }

  over(layer: number, points: readonly Point[], outward: Point): string | undefined {
    const [first] = points;
    if (!first) return undefined;
    const near = this.index.search(
      first.x,
      first.y,
      first.x,
      first.y,
      (i) => (this.patches[i]?.layer ?? 0) > layer,
    );
    const found = near.find((i) =>
      points.every(({ x, y }) =>
        // Both the edge itself and what lies just beyond and before it.
        [-COVER_MM, 0, COVER_MM].every((by) =>
          isInside({ x: x + outward.x * by, y: y + outward.y * by }, this.polygons[i] as Point[]),
        ),
      ),
    );
    return found === undefined ? undefined : this.patches[found]?.id;
  }
}
