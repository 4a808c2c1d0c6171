export {
  BASTE_POLICIES,
  PACK_PAPERS,
  basteMoments,
  packsFor,
  DEFAULT_USES_PER_PAPER,
  papersInPlay,
  withSpares,
  type BastePolicy,
  type PaperNeed,
  type SpareRule,
} from './papersInPlay';
export { papersOverTime, type PapersAt } from './papersOverTime';
export { outerPapers, sideOf, type OuterPapers } from './outerPapers';
export {
  projectPapers,
  type BlockPapers,
  type KindCount,
  type ProjectKind,
  type ProjectPapers,
  type SewnBlock,
} from './projectPapers';
export { takingOut, type TakingOut, type TakingOutPlan } from './takingOut';
