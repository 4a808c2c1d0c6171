import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { areaOf, cornerAngles, edgeLength, edgesOf, perimeterOf, type Outline } from '../geometry';
import { findRotation } from './rotations';

/** Ways of putting a whole group together, as candidates for its order are called. */
export type TreeKind = 'plain' | 'wedges' | 'rows' | 'rings' | 'pairs' | 'ringed' | 'squares-first';

/** A group of patches that a teacher recognises at sight. */
export interface Figure {
  /** Patches of one shape round one in the middle; equal wedges round a point; rows of rectangles; a field of one shape; rectangles of two triangles. */
  readonly name: 'rosette' | 'turned' | 'rows' | 'mosaic' | 'half-squares';
  /** How it is taught; a field of one shape has no way of its own. */
  readonly taught: readonly TreeKind[];
}

/** Shapes whose areas and edges differ by less than this share are one. */
const SAME_SHARE = 0.005;
/** A corner within this of a right angle is one, degrees. */
const RIGHT_DEG = 1;
/** A figure turns onto itself by at most a third of a turn. */
const LEAST_FOLDS = 3;

/** Recognises a connected group by its shapes and how it turns onto itself; not by its name or its cloths. */
export function recogniseFigure(graph: SeamGraph, members: readonly number[]): Figure | undefined {
  if (graph.isOfUnits || members.length < 3) return undefined;
  const outlines = members.map((patch) => itemAt(graph.patches, patch).outline);
  const isOneShape = outlines.every((outline) => isLike(outline, itemAt(outlines, 0)));
  const rotation = findRotation(graph, members);
  const isTurned = rotation !== undefined && rotation.folds >= LEAST_FOLDS;
  const hasMiddle = isTurned && members.some((patch) => rotation.next.get(patch) === patch);
  if (isOneShape && hasMiddle) return { name: 'rosette', taught: ['rings'] };
  // Squares lie in rows, and so do clamshells.
  const isCurved = outlines.every(({ bulges }) => bulges.some((bulge) => bulge !== 0));
  if (isOneShape && ((isCurved && !isTurned) || outlines.every(isRectangle)))
    return { name: 'rows', taught: ['rows'] };
  if (halfSquares(graph, members).length > 1) return { name: 'half-squares', taught: ['squares-first'] };
  if (isTurned) return { name: 'turned', taught: ['wedges', 'pairs'] };
  return isOneShape ? { name: 'mosaic', taught: [] } : undefined;
}

/** Pairs of triangles that make a rectangle along their longest sides; each triangle is in one pair at most. */
export function halfSquares(graph: SeamGraph, members: readonly number[]): (readonly [number, number])[] {
  if (graph.isOfUnits) return [];
  const own = new Set(members);
  const isRight = (patch: number) => {
    const angles = cornerAngles(itemAt(graph.patches, patch).outline);
    return angles.length === 3 && angles.some((angle) => Math.abs(angle - 90) < RIGHT_DEG);
  };
  const longest = (patch: number) =>
    Math.max(...edgesOf(itemAt(graph.patches, patch).outline).map(edgeLength));
  const taken = new Set<number>();
  return graph.seams.flatMap(({ patches: [a, b], lengthMm }) => {
    if (!own.has(a) || !own.has(b) || taken.has(a) || taken.has(b) || !isRight(a) || !isRight(b)) return [];
    const isAlong = [a, b].every((patch) => Math.abs(longest(patch) - lengthMm) <= SAME_SHARE * lengthMm);
    if (!isAlong || !isLike(itemAt(graph.patches, a).outline, itemAt(graph.patches, b).outline)) return [];
    taken.add(a).add(b);
    return [[a, b] as const];
  });
}

function isLike(a: Outline, b: Outline): boolean {
  const near = (p: number, q: number) => Math.abs(p - q) <= SAME_SHARE * Math.max(p, q);
  return (
    a.corners.length === b.corners.length &&
    near(areaOf(a), areaOf(b)) &&
    near(perimeterOf(a), perimeterOf(b))
  );
}

function isRectangle(outline: Outline): boolean {
  const angles = cornerAngles(outline);
  return angles.length === 4 && angles.every((angle) => Math.abs(angle - 90) < RIGHT_DEG);
}
