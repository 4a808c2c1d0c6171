export { blockSheet, type BlockSheet, type SheetKind, type SheetPatch } from './blockSheet';
export type { AppliqueStep, BasteStep, JoinStep, SewnChain, Step } from './step';
export { orderedBy, planBlock, planOrder, type PlannedBlock } from './planBlock';
export { momentsOf } from './stepMoments';
export type { KindBasting } from './bastingChoices';
export {
  changeOrder,
  takeBack,
  withApplique,
  withBatches,
  withPolicy,
  withSchool,
  withSewing,
  type OrderPress,
} from './changeOrder';
export {
  papersOfBlocks,
  saySaved,
  usesByName,
  type PapersOfProject,
  type PapersSources,
} from './papersOfBlocks';
export { jointClashes, type JointClash } from './jointClashes';
export type { Hand, HandWish } from './sayHand';
export { wishesOf } from './orderWishes';
export { clashViews, kindViews, minutesOf, threadView, type KindView } from './views';
export { summarise, type BlockSummary, type SummaryStep } from './summary';
export { sayPlainSkill } from './skills';
export { roundWork, withUnits } from './stepUnits';
export { batchAt, batchesOf, waitsFor, type Batch } from './readiness';
export { numbersOf } from './names';
export { Making, bagMark, marksOf } from './made';
export { doneOf, plainUnits, rollUnits, ticksFor, type RollUnit } from './rollUnits';
export { aheadOf, isPortable, type Ahead } from './aheadOf';
