export { bendsBound, innerIntersections } from './bendsBound';
export { chainsOf, turnedChain, type Chain, type ChainStep } from './interface';
export {
  CancelledError,
  planAssembly,
  type AssemblyPlan,
  type Join,
  type ReportProgress,
} from './planAssembly';
export { DEFAULT_SEWING, type SewingSettings } from './sewingSettings';
export { validatePlan } from './validatePlan';
