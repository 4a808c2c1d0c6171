import type { Chance } from '../chance';
import type { Laid } from './layout';

/** How long is searched and who is told. */
export interface Search {
  readonly chance: Chance;
  /** Share of the time that is spent; 1 ends the search with the best so far. */
  readonly spent: () => number;
  /** Whether all of it is; asked often. */
  readonly isOver: () => boolean;
  /** Told each better layout. */
  readonly onBetter?: (laid: readonly Laid[]) => void;
}
