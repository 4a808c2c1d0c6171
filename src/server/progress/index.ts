export { type PairStanding, standingsOf } from './makerStanding';
export { newSkills, type NewSkill } from './newSkills';
export { tellStuck } from './tellStuck';
export { readEvents } from './events';
export { makerHistories, type OpenHistory } from './histories';
export { blockUnits, type BlockUnits, type SlowStep } from './blockUnits';
export { callRoll, readRoll, type RollEntry, type RollLine } from './rollCall';
export {
  type BlockProgress,
  makerPage,
  progressOfMaker,
  projectProgress,
  type RecordedEvent,
  recordEvents,
} from './progress';
