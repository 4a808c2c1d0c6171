export type { Patch } from './patch';
export {
  BLOCK_FORMAT,
  type BastingChoices,
  type BlockDocument,
  type ClothRule,
  type OrderChoices,
  type Part,
  type ProjectBasting,
  type UnitPair,
  type UnitPin,
} from './document';
export { tidied } from './tidied';
export { LEAST_SEAM_MM, contactsOfSide, listSides, type Sides } from './contacts';
export { buildSeamGraph, type OpenEdge, type Seam, type SeamEnd, type SeamGraph } from './seamGraph';
export { Marks, keptFor } from './marks';
export { groupsOf } from './groupsOf';
export { type Problem, type ProblemCode } from './problems';
export { analyseBlock, type BlockAnalysis } from './analyseBlock';
export { findFlatness, type FlatFault, type Flatness } from './flatness';
export { sideTreatments, type SideTreatment } from './sideTreatments';
