import { areaOf, findSelfCrossing, type Outline, type Point } from '../../geometry';
import { hasTooManySides } from './pathOutlines';

/** A patch smaller than this cannot be sewn, mm². */
const LEAST_AREA_MM2 = 1;

/** Why an outline cannot be a patch; nothing where it can. */
export function outlineFault(
  outline: Outline,
  hasHole: boolean,
): { message: string; mend: string; at: Point } | undefined {
  const at = outline.corners[0] ?? { x: 0, y: 0 };
  if (hasTooManySides(outline))
    return { message: 'has more than 2000 sides', mend: 'Simplify it, or draw its curves as arcs.', at };
  const area = outline.corners.length < 2 ? 0 : areaOf(outline);
  if (area < LEAST_AREA_MM2) {
    const crossing = outline.corners.length > 3 && findSelfCrossing(outline);
    if (!crossing)
      return {
        message: `has no size to speak of (${area.toFixed(2)} mm²)`,
        mend: 'Enlarge or delete it.',
        at,
      };
  }
  const crossing = findSelfCrossing(outline);
  if (crossing) {
    const place = `${crossing.x.toFixed(1)} mm, ${crossing.y.toFixed(1)} mm`;
    return {
      message: `crosses or touches itself near ${place}`,
      mend: 'Redraw its outline so that it runs round the patch once.',
      at: crossing,
    };
  }
  if (hasHole) {
    return {
      message: 'has a hole',
      mend: 'Draw the piece in the hole as a patch of its own on a higher layer, or split the outer one.',
      at,
    };
  }
  return undefined;
}
