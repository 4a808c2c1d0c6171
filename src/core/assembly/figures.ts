import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { areaOf, cornerAngles, perimeterOf, type Outline } from '../geometry';
import { findRotation } from './rotations';

/** Ways of putting a whole group together, as candidates for its order are called. */
export type TreeKind = 'plain' | 'wedges' | 'rows' | 'rings' | 'pairs' | 'ringed';

/** A group of patches that a teacher recognises at sight. */
export interface Figure {
  /** Patches of one shape round one in the middle; equal wedges round a point; rows of rectangles; a field of one shape. */
  readonly name: 'rosette' | 'turned' | 'rows' | 'mosaic';
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
  if (isOneShape && outlines.every(isRectangle)) return { name: 'rows', taught: ['rows'] };
  if (isTurned) return { name: 'turned', taught: ['wedges', 'pairs'] };
  return isOneShape ? { name: 'mosaic', taught: [] } : undefined;
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
