import { directionAt, edgeLength, edgesOf, isStraight, pointAt, type Outline, type Point } from '../geometry';

/** Pleats of a curve stand this far apart, mm: ¼″. */
export const PLEAT_MM = 6.35;

/** A pleat where cloth is gathered over a side that bows out, or a clip into the allowance of one that bows in. */
export interface Pleat {
  readonly kind: 'pleat' | 'clip';
  readonly side: number;
  readonly at: Point;
  /** Unit direction out of the patch. */
  readonly outward: Point;
}

/** Where the curved sides of a paper are pleated or clipped: every ¼″ along the curve, its ends left out. */
export function pleatsOf(outline: Outline): Pleat[] {
  return edgesOf(outline).flatMap((edge, side): Pleat[] => {
    if (isStraight(edge)) return [];
    const length = edgeLength(edge);
    const count = Math.max(1, Math.floor(length / PLEAT_MM) - 1);
    return Array.from({ length: count }, (_, i): Pleat => {
      const along = (length * (i + 1)) / (count + 1);
      const { x, y } = directionAt(edge, along);
      // Outlines run clockwise on screen: the outside lies to the left of the way.
      return {
        kind: edge.bulge > 0 ? 'pleat' : 'clip',
        side,
        at: pointAt(edge, along),
        outward: { x: y, y: -x },
      };
    });
  });
}
