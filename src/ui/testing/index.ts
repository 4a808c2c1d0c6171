export { answering, refused, unreachable, type Asked } from './answering';
export { drawn, outOfFrame, type Drawn } from './drawn';
export { FakeStream } from './fakeStream';
export { FakeWorker } from './fakeWorker';
export { markedFields } from './markedFields';
export { navigation } from './navigation';
export { settled } from './settled';
export { SETTINGS, sheetOf } from './sheetOf';

/** What is said of a maker of whom nothing is said. */
export const PLAIN_MAKER = {
  groupId: null,
  isPaused: false,
  isUnderAge: false,
  travels: false,
  making: [],
  isLeftHanded: false,
  sets: 1,
  allowanceMm: null,
  cloths: {},
} as const;
