export { firstFoldedAt, foldClockwise, tailLength, tailsOf, type FoldOrder, type Tail } from './tails';
export { findClashes, planBasting, type BastedPatch, type BastingPlan, type Clash } from './planBasting';
export { FOLD_CONVENTIONS, conventionsFor, foldBy, type FoldConvention } from './conventions';
export { BASTE_METHODS, methodMinutes, rankMethods, type BasteMethod, type MethodChoice } from './methods';
export { PLEAT_MM, pleatsOf, type Pleat } from './pleats';
export { fewestRefolds, sayRefolds, type Refold, type Refolds } from './refold';
export { withKindChoice, type KindChoice } from './withKindChoice';
