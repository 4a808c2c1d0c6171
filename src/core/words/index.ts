export { counted } from './counted';
export { firstSentence } from './firstSentence';
