export { stripCut, type StripCut } from './stripCut';
