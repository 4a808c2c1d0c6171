export { basteMinutes } from './basteMinutes';
export { firstFoldedAt, foldClockwise, tailLength, tailsOf, type FoldOrder, type Tail } from './tails';
export { findClashes, planBasting, type BastedPatch, type BastingPlan, type Clash } from './planBasting';
