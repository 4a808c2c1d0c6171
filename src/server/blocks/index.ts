export { readDocument, readRevision, remakeBlock, saveBlock } from './blockDocuments';
export {
  addDocument,
  type BlockWithSheet,
  type DrawingInput,
  importBlock,
  listBlocks,
  makeBlock,
  openBlock,
  renameBlock,
  setBlockRemoved,
} from './blocks';
export { chooseMark, projectMarks, settingsOf } from './marks';
export { papersOfProject, type PapersOfProject, saySaved } from './projectPapers';
export { recipeSchema } from './recipeSchema';
export { sheetFor } from './sheets';
