import { toRadians, type Point } from '../geometry';

/** Of a pointed or round tip this share of the outer radius is reached at the shoulders. */
const SHOULDER = 0.88;
/** How far a round tip bows out: tan of a quarter of its arc. */
const ROUND_TIP = 0.55;

/** Corners and bulges of a blade between two directions (degrees), the two base corners first. */
export function bladeCorners(
  innerMm: number,
  outerMm: number,
  tip: 'flat' | 'pointed' | 'round',
  fromDeg: number,
  toDeg: number,
): { corners: Point[]; bulges: number[] } {
  const at = (degrees: number, radius: number): Point => ({
    x: radius * Math.cos(toRadians(degrees)),
    y: radius * Math.sin(toRadians(degrees)),
  });
  const shoulder = tip === 'flat' ? outerMm : Math.max(innerMm + 5, outerMm * SHOULDER);
  const base = [at(toDeg, innerMm), at(fromDeg, innerMm)];
  const [left, right] = [at(fromDeg, shoulder), at(toDeg, shoulder)];
  if (tip !== 'pointed')
    return { corners: [...base, left, right], bulges: [0, 0, tip === 'round' ? ROUND_TIP : 0, 0] };
  return { corners: [...base, left, at((fromDeg + toDeg) / 2, outerMm), right], bulges: [0, 0, 0, 0, 0] };
}
