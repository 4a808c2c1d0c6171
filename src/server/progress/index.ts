export { type PairStanding, standingsOf } from './makerStanding';
export { makerHistories, type OpenHistory } from './histories';
export { type BlockProgress, makerPage, projectProgress, type RecordedEvent, recordEvents } from './progress';
