import { itemAt } from '../lists';
import Flatbush from 'flatbush';
import { LEAST_SEAM_MM, contactsOfSide, listSides, type Patch, type Sides } from '../block';
import { overlapOf } from '../booleans';
import {
  boxOf,
  convexDepth,
  edgeLength,
  isConvex,
  isInside,
  locate,
  partOf,
  toPolygon,
  type Edge,
  type Outline,
  type Point,
} from '../geometry';

/** Patches may cover each other by this much before they are in each other's way, mm². */
const LEAST_OVERLAP_MM2 = 1;

/** A stretch of a patch's side that is sewn to nothing yet. */
export interface FreeStretch {
  readonly patch: number;
  readonly side: number;
  readonly edge: Edge;
}

/**
 * Patches on the board, ready to be asked what lies where. Made anew after each edit: a few ms for a thousand patches;
 * every question takes well under one.
 */
export class Board {
  readonly sides: Sides;
  private readonly polygons: (readonly Point[])[];
  private readonly convex: (boolean | undefined)[];
  private readonly boxes: Flatbush | undefined;

  constructor(readonly patches: readonly Patch[]) {
    this.sides = listSides(patches);
    this.polygons = patches.map(({ outline }) => toPolygon(outline, 0.05));
    this.convex = patches.map(() => undefined);
    if (patches.length === 0) return;
    this.boxes = new Flatbush(patches.length);
    for (const { outline } of patches) {
      const { minX, minY, maxX, maxY } = boxOf(outline);
      this.boxes.add(minX, minY, maxX, maxY);
    }
    this.boxes.finish();
  }

  /** The uppermost patch under a point. */
  patchAt({ x, y }: Point): number | undefined {
    const under =
      this.boxes?.search(x, y, x, y, (i) => isInside({ x, y }, this.polygons[i] as Point[])) ?? [];
    if (under.length === 0) return undefined;
    const layer = (i: number) => this.patches[i]?.layer ?? 0;
    return under.reduce((top, i) =>
      layer(i) > layer(top) || (layer(i) === layer(top) && i > top) ? i : top,
    );
  }

  /** Patches whose middle of the box lies in a rectangle. */
  patchesIn(minX: number, minY: number, maxX: number, maxY: number): number[] {
    const touched = this.boxes?.search(minX, minY, maxX, maxY) ?? [];
    return touched.filter((i) => {
      const box = boxOf(itemAt(this.patches, i).outline);
      const [x, y] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
      return x >= minX && x <= maxX && y >= minY && y <= maxY;
    });
  }

  /** The free stretches of one side, in order along it. */
  freeOf(side: number): FreeStretch[] {
    const edge = itemAt(this.sides.edges, side);
    const length = itemAt(this.sides.lengths, side);
    const patch = itemAt(this.sides.patchOf, side);
    const own = side - itemAt(this.sides.firstOf, patch);
    const stretches: FreeStretch[] = [];
    let from = 0;
    const add = (to: number) => {
      if (to - from <= LEAST_SEAM_MM) return;
      const whole = from <= 0.2 && to >= length - 0.2;
      stretches.push({ patch, side: own, edge: whole ? edge : partOf(edge, from, to) });
    };
    for (const contact of contactsOfSide(this.sides, this.patches, side)) {
      add(contact.from);
      from = Math.max(from, contact.to);
    }
    add(length);
    return stretches;
  }

  /** Every free stretch, patch by patch: the rim and the rims of holes. */
  allFree(layer = 0): FreeStretch[] {
    return Array.from(this.sides.edges, (_, side) => side)
      .filter((side) => this.patches[itemAt(this.sides.patchOf, side)]?.layer === layer)
      .flatMap((side) => this.freeOf(side));
  }

  /** The free stretch nearest to a point. @param reach how far to look, mm */
  nearestFree({ x, y }: Point, reach: number): FreeStretch | undefined {
    const near = this.sides.index.search(x - reach, y - reach, x + reach, y + reach);
    if (this.patches.length === 0) return undefined;
    const ranked = near
      .map((side) => ({ side, off: locate(itemAt(this.sides.edges, side), { x, y }).off }))
      .filter(({ off }) => off <= reach)
      .sort((a, b) => a.off - b.off);
    let best: FreeStretch | undefined;
    let least = reach;
    for (const { side, off } of ranked) {
      // Stretches of this side lie no nearer than the side itself.
      if (off > least) break;
      for (const stretch of this.freeOf(side)) {
        const own = locate(stretch.edge, { x, y }).off;
        if (own >= least) continue;
        [best, least] = [stretch, own];
      }
    }
    return best;
  }

  /** The corner, or middle of a patch, nearest to a point. */
  nearestPoint({ x, y }: Point, reach: number): Point | undefined {
    let best: Point | undefined;
    let least = reach;
    const near = this.boxes?.search(x - reach, y - reach, x + reach, y + reach) ?? [];
    for (const i of near) {
      const { corners } = itemAt(this.patches, i).outline;
      const middle = corners.reduce(
        (sum, one) => ({ x: sum.x + one.x / corners.length, y: sum.y + one.y / corners.length }),
        { x: 0, y: 0 },
      );
      for (const point of [...corners, middle]) {
        const off = Math.hypot(point.x - x, point.y - y);
        if (off < least) [best, least] = [point, off];
      }
    }
    return best;
  }

  /** Patches of a layer that an outline would lie on, and by what area, mm². */
  covered(
    outline: Outline,
    layer: number,
    ignore: ReadonlySet<number> = new Set(),
  ): { patch: number; area: number }[] {
    if (!this.boxes) return [];
    const { minX, minY, maxX, maxY } = boxOf(outline);
    const polygon = toPolygon(outline, 0.05);
    const ownConvex = isConvex(polygon);
    const size = maxX - minX + maxY - minY;
    return this.boxes
      .search(minX, minY, maxX, maxY, (i) => this.patches[i]?.layer === layer && !ignore.has(i))
      .flatMap((patch) => {
        const other = this.polygons[patch] as Point[];
        const isOtherConvex = (this.convex[patch] ??= isConvex(other));
        if (ownConvex && isOtherConvex && convexDepth(polygon, other) * size < LEAST_OVERLAP_MM2) return [];
        const { area } = overlapOf(outline, itemAt(this.patches, patch).outline);
        return area > LEAST_OVERLAP_MM2 ? [{ patch, area }] : [];
      });
  }

  /** Number of a side in the whole list. */
  sideNumber(patch: number, side: number): number {
    return itemAt(this.sides.firstOf, patch) + side;
  }

  /** Length of a stretch, mm. */
  static lengthOf({ edge }: FreeStretch): number {
    return edgeLength(edge);
  }
}
