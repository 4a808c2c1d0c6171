export {
  countClassPractice,
  countPractice,
  practiceOf,
  practiceOfAll,
  type PracticeAnswer,
} from './practice';
export { missedIn, type MissedInPractice } from './missed';
