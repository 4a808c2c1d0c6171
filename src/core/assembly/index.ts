export { bendsBound, innerIntersections } from './bendsBound';
export { leastBends } from './leastBends';
export { chainsOf, turnAt, turnedChain, type Chain, type ChainStep } from './interface';
export {
  CancelledError,
  planAssembly,
  type AssemblyPlan,
  type OtherOrder,
  type ReportProgress,
} from './planAssembly';
export type { Join, PlanTotals, Repeat, Run } from './join';
export { MOST_SLIDES, MOST_SLIDE_MM, type Slide } from './slides';
export { bendMinutesAt } from './joinMinutes';
export { patchByPatch, type PatchOrder } from './patchByPatch';
export {
  BLOCK_FIGURES,
  DEFAULT_SEWING,
  SEWING_FIGURES,
  ownSewing,
  sewingOf,
  type SewingFigure,
  type SewingMeasure,
  type SewingSettings,
} from './sewingSettings';
export { validatePlan } from './validatePlan';
export { EXACT_PATCHES, exactTree } from './exactTree';
export { recogniseFigure } from './figures';
export { findRotation } from './rotations';
export { areCubes, findCubes, findStars, findWingedKites } from './motifs';
export { SCHOOLS, type School } from './schools';
export {
  NO_WISHES,
  isCrossing,
  unitKey,
  type IdleWish,
  type Pin,
  type WishList,
  type Wishes,
} from './wishes';
export { changeWishes, type ChangedWishes, type OrderChange } from './changeWishes';
export { comparedWith, compareSchools, sayMore, type SchoolSummary } from './compareSchools';
