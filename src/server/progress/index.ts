export { type PairStanding, standingsOf } from './makerStanding';
export { makerHistories, type OpenHistory } from './histories';
export { callRoll, readRoll, type RollEntry, type RollLine } from './rollCall';
export { type BlockProgress, makerPage, projectProgress, type RecordedEvent, recordEvents } from './progress';
