export { Board, type FreeStretch } from './board';
export { attach, type AttachWish, type Ghost } from './attach';
export { MOST_PATCHES, copyBy, fillRound, ringRound, type Copied, type RoundWish } from './symmetry';
export { FreshIds } from './freshIds';
export {
  addPatches,
  changePatches,
  deletePatches,
  movePatches,
  paint,
  setGroup,
  setLocked,
  snapMove,
  withGroups,
} from './edit';
export { record, redo, startHistory, undo, type History } from './history';
export { mergeDocuments, type MergeConflict, type Merged } from './merge';
export { proposeMend } from './mend';
export type { Mend } from './mendMoves';
export { liveReport, type LiveReport } from './report';
export { guessPapers, snapToPapers, type PaperGuess } from './snapToPapers';
