export { groupKinds, type Hand, type PaperKind, type Sorted } from './groupKinds';
export { NO_PAPER, backgroundOf, groupPapers } from './groupPapers';
export {
  matchingRotation,
  signatureOf,
  turnedOverSignature,
  type Signature,
  type SignatureStep,
} from './signature';
export {
  findLookAlikes,
  resemblance,
  LOOK_ALIKE_MM,
  type LookAlike,
  type NamedPaper,
  type TellingMeasure,
} from './lookAlikes';
export { nameShape } from './nameShape';
export { nameKinds } from './nameKinds';
export {
  PAPER_MARKS,
  isSamePaper,
  markOf,
  proposeMarks,
  type ChosenMark,
  type MarkedPaper,
  type PaperMark,
} from './paperMarks';
export { LETTER_RULE } from './hands';
export { projectMarks } from './projectMarks';
