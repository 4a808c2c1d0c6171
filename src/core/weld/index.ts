export {
  DEFAULT_REACH_MM,
  MOST_REACH_MM,
  weldPatches,
  type WeldOptions,
  type WeldReport,
  type Welded,
} from './weldPatches';
