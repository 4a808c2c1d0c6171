export { counted } from './counted';
export { firstSentence } from './firstSentence';
export { formatMinutes } from './formatMinutes';
export { inDays } from './inDays';
export { times, timesWord } from './times';
