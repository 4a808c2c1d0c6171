import type { Chance } from './chance';
import type { Laid } from './layout';

/** How long is searched and who is told. */
export interface Search {
  readonly chance: Chance;
  /** Asked often; true ends the search with the best so far. */
  readonly isOver: () => boolean;
  /** Told each better layout. */
  readonly onBetter?: (laid: readonly Laid[]) => void;
}
