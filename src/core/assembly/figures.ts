import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { distance } from '../geometry';
import {
  areCubes,
  findCubes,
  findSquares,
  findWingedKites,
  isLike,
  isRectangle,
  findStars,
  type Motif,
} from './motifs';
import { findRotation } from './rotations';
import { joinInOrder, joined, leaf, type Tree } from './tree';

/** Ways of putting a whole group together, as candidates for its order are called. */
export type TreeKind =
  'plain' | 'wedges' | 'rows' | 'rings' | 'pairs' | 'pieces' | 'halves' | 'star-first' | 'figures';

/** A group of patches that a teacher recognises at sight. */
export interface Figure {
  /**
   * Patches of one shape round one in the middle; a star with others set round it; equal wedges round a point; rows of
   * rectangles; cubes of three diamonds; kites with wings; rectangles of two triangles; a field of one shape.
   */
  readonly name: 'rosette' | 'star' | 'turned' | 'rows' | 'cubes' | 'kites' | 'half-squares' | 'mosaic';
  /** How it is taught; a field of one shape has no way of its own. */
  readonly taught: readonly TreeKind[];
}

/** A figure turns onto itself by at most a third of a turn. */
const LEAST_FOLDS = 3;
/** A star in the middle lies this near to it, mm. */
const MIDDLE_MM = 1;

/** Recognises a connected group by its shapes and how it turns onto itself; not by its name or its cloths. */
export function recogniseFigure(graph: SeamGraph, members: readonly number[]): Figure | undefined {
  if (graph.isOfUnits || members.length < 3) return undefined;
  const outlines = members.map((patch) => itemAt(graph.patches, patch).outline);
  const isOneShape = outlines.every((outline) => isLike(outline, itemAt(outlines, 0)));
  const rotation = findRotation(graph, members);
  const isTurned = rotation !== undefined && rotation.folds >= LEAST_FOLDS;
  const isStill = members.some((patch) => rotation?.next.get(patch) === patch);
  if (isOneShape && isTurned && isStill) return { name: 'rosette', taught: ['rings'] };
  // Squares lie in rows, and so do clamshells.
  const isCurved = outlines.every(({ bulges }) => bulges.some((bulge) => bulge !== 0));
  if (isOneShape && ((isCurved && !isTurned) || outlines.every(isRectangle)))
    return { name: 'rows', taught: ['rows'] };
  if (findSquares(graph, members).length > 1) return { name: 'half-squares', taught: ['figures'] };
  if (findStars(graph, members)[0]?.patches.length === members.length)
    return { name: 'star', taught: ['halves'] };
  if (isTurned && starAtMiddle(graph, members, rotation.centre))
    return { name: 'star', taught: ['star-first', 'rings'] };
  if (areCubes(findCubes(graph, members), members)) return { name: 'cubes', taught: ['figures'] };
  if (findWingedKites(graph, members).length > 1) return { name: 'kites', taught: ['figures'] };
  if (isTurned) return { name: 'turned', taught: ['wedges', 'pairs'] };
  // A half turn of a field of one shape is nothing that is seen.
  if (rotation && isStill && !isOneShape) return { name: 'turned', taught: ['wedges'] };
  return isOneShape ? { name: 'mosaic', taught: [] } : undefined;
}

/** Whether a group is a field of one shape, no squares and no shells, where nothing is learnt by making units alike: what counts is that the thread goes on. */
export function isField(graph: SeamGraph, members: readonly number[]): boolean {
  if (graph.isOfUnits) return false;
  const outlines = members.map((patch) => itemAt(graph.patches, patch).outline);
  const first = itemAt(outlines, 0);
  const isStraight = first.bulges.every((bulge) => bulge === 0);
  return isStraight && !isRectangle(first) && outlines.every((outline) => isLike(outline, first));
}

/** The star in the middle of a group that has more than it; undefined where there is none. */
export function starAtMiddle(
  graph: SeamGraph,
  members: readonly number[],
  centre: { readonly x: number; readonly y: number },
): Motif | undefined {
  return findStars(graph, members).find(
    ({ place = -1, patches }) =>
      patches.length < members.length && distance(itemAt(graph.places, place), centre) < MIDDLE_MM,
  );
}

/** A star in two halves, each in pairs, then one straight seam. Where cloths alternate all pairs are alike: what is left over of an odd half lies next to the other’s. */
export function starTree(graph: SeamGraph, { patches }: Motif): Tree {
  const half = Math.ceil(patches.length / 2);
  const [first, second] = [patches.slice(0, half), patches.slice(half)];
  return joined(inPairs(graph, first, 0), inPairs(graph, second, half % 2));
}

/** Neighbours in pairs from the first or second patch on, then one pair after another. */
function inPairs(graph: SeamGraph, patches: readonly number[], from: number): Tree {
  const units: Tree[] = [];
  for (let i = from; i < patches.length; i += 2)
    units.push(joinInOrder(graph, patches.slice(i, i + 2).map(leaf)));
  return joinInOrder(graph, [...units, ...patches.slice(0, from).map(leaf)]);
}
