export { MARGIN_MM, PAGE_MM, roomOf, type Ink, type PageSize, type PrintJob, type PrintPage } from './ink';
export { TILE_OVERLAP_MM, tile } from './tile';
export { markInk, papersJob, type PaperRun, type PapersJob, type PapersOptions } from './papersJob';
export { centringGuide, clamshellGuide, fussyWindow, plateAngleCheck } from './jigs';
export { paperRuns, printJob, type PrintWish, type Printed } from './printJob';
export { lineHeightMm, linesOf } from './lines';
export { stepCards } from './stepCards';
export { bagCards, type BagCardBlock } from './bagCards';
export {
  LABEL_LIMITS,
  USUAL_LABELS,
  checkLabelSheet,
  labelSheets,
  type BagLabel,
  type CodeCells,
  type LabelSheet,
} from './labelSheets';
export { numberStickers } from './numberStickers';
export { orderSheets, type OrderSheets, type PrintedLine } from './orderSheets';
