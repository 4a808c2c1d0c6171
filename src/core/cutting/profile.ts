import { itemAt } from '../lists';
import type { Point } from '../geometry';

/** Just beside a corner, where a level side begins or ends at it, mm. */
const BESIDE_MM = 1e-5;

/**
 * How far a polygon reaches along one axis at each level of the other. Between the levels of two neighbouring corners both
 * reaches change evenly, because its sides do not cross: only the levels beside corners are kept.
 */
export interface Profile {
  /** In rising order, mm. */
  readonly levels: Float64Array;
  /** Least and greatest reach at each level, mm; NaN outside the polygon. */
  readonly near: Float64Array;
  readonly far: Float64Array;
}

/** Cost: corners squared. */
export function profileOf(polygon: readonly Point[], axis: 'x' | 'y'): Profile {
  const across = axis === 'x' ? 'y' : 'x';
  const beside = polygon.flatMap((point) => [point[across] - BESIDE_MM, point[across] + BESIDE_MM]);
  const levels = Float64Array.from(new Set(beside)).sort();
  const near = new Float64Array(levels.length).fill(NaN);
  const far = new Float64Array(levels.length).fill(NaN);
  levels.forEach((level, i) => {
    polygon.forEach((p, k) => {
      const q = itemAt(polygon, (k + 1) % polygon.length);
      if (p[across] > level === q[across] > level) return;
      const at = p[axis] + ((q[axis] - p[axis]) * (level - p[across])) / (q[across] - p[across]);
      // Not “less than”: the first one is compared with NaN.
      if (!(at >= itemAt(near, i))) near[i] = at;
      if (!(at <= itemAt(far, i))) far[i] = at;
    });
  });
  return { levels, near, far };
}

/**
 * How far `b` must be moved along the axis, from where both begin at 0, to lie wholly beyond `a`; −∞ where they pass.
 * @param shift how far b lies along the other axis, mm
 * Cost: corners of both.
 */
export function clearance(a: Profile, b: Profile, shift = 0): number {
  let most = -Infinity;
  let [i, k] = [0, 0];
  while (i < a.levels.length && k < b.levels.length) {
    const [own, theirs] = [itemAt(a.levels, i), itemAt(b.levels, k) + shift];
    // The one whose level this is says its value there outright: rounding must not push it past its own corner.
    const far = own <= theirs ? itemAt(a.far, i) : between(a.levels, a.far, i, theirs);
    const near = theirs <= own ? itemAt(b.near, k) : between(b.levels, b.near, k, own - shift);
    if (far - near > most) most = far - near;
    if (own <= theirs) i++;
    if (theirs <= own) k++;
  }
  return most;
}

/** The value at a level between that before `next` and that at `next`. */
function between(levels: Float64Array, values: Float64Array, next: number, level: number): number {
  if (next === 0) return NaN;
  const [from, to] = [itemAt(levels, next - 1), itemAt(levels, next)];
  const before = itemAt(values, next - 1);
  return before + ((itemAt(values, next) - before) * (level - from)) / (to - from);
}
