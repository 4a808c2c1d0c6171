export {
  PAPER_FAMILIES,
  defaultPaper,
  isPaper,
  type Paper,
  type PaperFamily,
  type PaperField,
} from './paper';
export { EDGE_MM, makePaper } from './makePaper';
export { bladeCorners } from './blade';
export { measurePaper, sizeOf, type PaperMeasures } from './measures';
export { EXACT_MM, RECOGNISED_MM, recognise, type Recognised } from './recognise';
