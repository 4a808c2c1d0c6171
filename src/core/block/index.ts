export type { BlockDocument, Patch } from './patch';
export { LEAST_SEAM_MM } from './contacts';
export { buildSeamGraph, type OpenEdge, type Seam, type SeamEnd, type SeamGraph } from './seamGraph';
export { groupsOf } from './groupsOf';
export { type Problem, type ProblemCode } from './problems';
export { analyseBlock, type BlockAnalysis } from './analyseBlock';
