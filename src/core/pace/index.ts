/**
 * How fast makers sew, told from what they ticked, and when they will be done. Guaranteed: the same history gives the same dates.
 * Not guaranteed: any date; of many dates at 80 % about eight in ten hold ({@link backTest} counts them).
 */
export { backTest, type BackTest } from './backTest';
export { forecastGroup, type Forecast } from './forecast';
export { learntStandards, type LearntStandard, type TimedWork } from './learnt';
export { sewingClock, type FreeTime } from './sewingClock';
export type { PaceState } from './state';
export { DAY_MS, type MakerHistory, type SewnWork } from './weeks';
