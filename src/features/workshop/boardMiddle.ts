import type { Patch } from '@/core/block';
import { middleOfBox, moveOutline, shiftBy, type Outline, type Point } from '@/core/geometry';

/** The middle of the box round some patches. */
export function middleOf(patches: readonly Patch[], picked: readonly number[]): Point {
  return middleOfBox(cornersOf(patches, picked));
}

/** How wide some patches are together, mm. */
export function widthOf(patches: readonly Patch[], picked: readonly number[]): number {
  const xs = cornersOf(patches, picked).corners.map(({ x }) => x);
  return Math.max(...xs) - Math.min(...xs);
}

function cornersOf(patches: readonly Patch[], picked: readonly number[]): Outline {
  const corners = picked.flatMap((index) => patches[index]?.outline.corners ?? []);
  return corners.length === 0
    ? { corners: [{ x: 0, y: 0 }], bulges: [0] }
    : { corners, bulges: corners.map(() => 0) };
}

/** An outline with its middle at a point. */
export function centredAt(outline: Outline, at: Point): Outline {
  const middle = middleOfBox(outline);
  return moveOutline(shiftBy(at.x - middle.x, at.y - middle.y), outline);
}
