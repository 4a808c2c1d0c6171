export { type BlockProgress, makerPage, projectProgress, type RecordedEvent, recordEvents } from './progress';
