import type { Point } from './point';

/**
 * A closed outline as seen from the front, clockwise on screen. `bulges[i]` belongs to the side from `corners[i]`
 * to the next corner; see {@link Edge} for its meaning. At least two corners (a circle has two).
 */
export interface Outline {
  readonly corners: readonly Point[];
  readonly bulges: readonly number[];
}
