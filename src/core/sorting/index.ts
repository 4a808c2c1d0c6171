/** A heap of papers sorted with cups or trays: in as few touches as can be, look-alikes apart. */
export { compareTouches, sortingPlan, together, type BlockTakes, type CupContent, type HeapKind, type SortingPlan, type SortingRound, type TouchesCompared } from './sortingPlan'; // prettier-ignore
export { fillings, layCups, type LaidCups, type Sorter } from './layCups';
