export { blockSheet, type BlockSheet, type SheetKind, type SheetPatch } from './blockSheet';
export { type AppliqueStep, type BasteStep, type JoinStep, type SewnChain, type Step } from './steps';
