import { buildSeamGraph, type Patch } from '../block';
import { distance, edgesOf, flatten, toPolygon, type Outline } from '../geometry';
import { itemAt } from '../lists';
import type { PieceKind } from '../nesting';
import { groupKinds, groupPapers, NO_PAPER } from '../shapes';
import { swell } from './lattice';
import { swellSides } from './swellSides';

/** Curves are taken this much too large at most, mm. */
const SAG_MM = 0.1;

/** How pieces are cut, mm. */
interface CutSettings {
  readonly allowanceMm: number;
  /** How much larger a background is cut on every side than it is sewn, allowance not counted. */
  readonly backgroundMoreMm: number;
  /** More than the allowance at the rim of the block. */
  readonly outerMoreMm?: number;
  /** Less than the allowance where a side stays raw. */
  readonly rawLessMm?: number;
}

/** A patch, and its sides that stay raw. */
type CutPatch = Patch & { readonly rawSides?: readonly number[] };

/**
 * The pieces of one cloth that a bag takes, as they are cut round the papers: outline and allowance, as seen from the right side.
 * The two hands of a paper are two shapes, because cloth is not turned over; so are pieces with another allowance at some of their
 * sides. Ids are `kind`, `kind L`, `kind R`; `kind, rim 1` and so on where an allowance differs.
 * @param names of the kinds of papers, in their order
 */
export function cutPieces(
  patches: readonly CutPatch[],
  fabric: string,
  names: readonly string[],
  { allowanceMm, backgroundMoreMm, outerMoreMm = 0, rawLessMm = 0 }: CutSettings,
): PieceKind[] {
  const { kindOf, handOf } = groupPapers(patches);
  const ownSides = sidesOf(patches, { outerMoreMm, rawLessMm: Math.min(rawLessMm, allowanceMm) });
  const own = patches.flatMap((patch, index) => {
    if (patch.fabric !== fabric) return [];
    const kind = itemAt(kindOf, index);
    const more = allowanceMm + (kind === NO_PAPER ? backgroundMoreMm : 0);
    const sides = kind === NO_PAPER ? [] : itemAt(ownSides, index);
    const isPlain = sides.every((by) => by === 0);
    const polygon = isPlain
      ? swell(toPolygon(patch.outline, SAG_MM), more)
      : swellSides(patch.outline, sides.map((by) => more + by), SAG_MM);
    const name = kind === NO_PAPER ? 'background' : itemAt(names, kind);
    const hand = itemAt(handOf, index);
    return [{ name: hand === 'none' ? name : `${name} ${hand}`, isPlain, polygon }];
  });
  return countShapes(own);
} // prettier-ignore

interface CutShape {
  readonly name: string;
  /** Whether its allowance is the same all round. */
  readonly isPlain: boolean;
  readonly polygon: PieceKind['polygon'];
}

/** One entry for each shape of each name: those that are plain are alike by their name, the others by how they are cut. */
function countShapes(shapes: readonly CutShape[]): PieceKind[] {
  const { kindOf, handOf } = groupKinds(shapes.map(({ polygon }) => ({ corners: polygon, bulges: polygon.map(() => 0) }))); // prettier-ignore
  const pieces = new Map<string, { readonly name: string; readonly isPlain: boolean; count: number; readonly polygon: PieceKind['polygon'] }>(); // prettier-ignore
  shapes.forEach(({ name, isPlain, polygon }, index) => {
    const key = isPlain ? name : `${name}/${itemAt(kindOf, index)}${itemAt(handOf, index)}`;
    const known = pieces.get(key);
    if (known) known.count += 1;
    else pieces.set(key, { name, isPlain, count: 1, polygon });
  });
  const rims = new Map<string, number>();
  return [...pieces.values()].map(({ name, isPlain, count, polygon }) => {
    if (isPlain) return { id: name, count, polygon };
    rims.set(name, (rims.get(name) ?? 0) + 1);
    return { id: `${name}, rim ${rims.get(name)}`, count, polygon };
  });
}

/** What is added to the allowance at each side of each patch, mm. */
function sidesOf(
  patches: readonly CutPatch[],
  { outerMoreMm, rawLessMm }: { readonly outerMoreMm: number; readonly rawLessMm: number },
): number[][] {
  const more = patches.map(({ outline }) => outline.corners.map(() => 0));
  if (outerMoreMm === 0 && rawLessMm === 0) return more;
  if (outerMoreMm > 0)
    for (const { patch, path } of buildSeamGraph(patches).openEdges) {
      const middle = itemAt(path, Math.floor(path.length / 2));
      const next = itemAt(path, Math.max(0, Math.floor(path.length / 2) - 1));
      const at = { x: (middle.x + next.x) / 2, y: (middle.y + next.y) / 2 };
      itemAt(more, patch)[nearestSide(itemAt(patches, patch).outline, at)] = outerMoreMm;
    }
  patches.forEach(({ rawSides = [] }, index) => {
    for (const side of rawSides) itemAt(more, index)[side] = -rawLessMm;
  });
  return more;
}

/** The side of an outline that lies nearest to a point. */
function nearestSide(outline: Outline, at: { readonly x: number; readonly y: number }): number {
  const offs = edgesOf(outline).map((edge) => {
    const points = flatten(edge, SAG_MM);
    return Math.min(...points.slice(1).map((b, index) => offLine(at, itemAt(points, index), b)));
  });
  return offs.indexOf(Math.min(...offs));
}

function offLine(p: { readonly x: number; readonly y: number }, a: typeof p, b: typeof p): number {
  const length = distance(a, b);
  const t = Math.max(0, Math.min(1, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / length ** 2));
  return Math.hypot(p.x - a.x - t * (b.x - a.x), p.y - a.y - t * (b.y - a.y));
}
