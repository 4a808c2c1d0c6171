export { stepId } from './stepId';
export { foldEvents, type Progress, type ProgressEvent } from './foldEvents';
export {
  doneWork,
  standing,
  type DoneWork,
  type Standing,
  type StepOfPatches,
  type StepUnits,
} from './standing';
export { packProgress, unpackProgress, type BlockProgress, type PackedProgress } from './packProgress';
