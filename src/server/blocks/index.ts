export { remadeDocument, remakeBlock, saveBlock, summaryOfDocument } from './blockDocuments';
export { readDocument, readRevision } from './readBlock';
export {
  addDocument,
  type BlockLine,
  type BlockWithSheet,
  type BlockWithSummary,
  type DrawingInput,
  importBlock,
  listBlocks,
  listSummaries,
  makeBlock,
  openBlock,
  renameBlock,
  setBlockRemoved,
} from './blocks';
export { chooseMark, projectMarks, settingsOf } from './marks';
export { papersOfProject } from './projectPapers';
export { recipeSchema } from './recipeSchema';
export { sheetFor, summariesFor, type SheetSettings, type ToBeSheeted } from './sheets';
