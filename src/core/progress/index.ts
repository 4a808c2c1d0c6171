export { stepId } from './stepId';
export { foldEvents, type Progress, type ProgressEvent } from './foldEvents';
