export {
  ownThread,
  seamOfNeedleful,
  stitchesOn,
  threadOn,
  threadPerStitch,
  threadUse,
  type BlockThread,
  type SewnRun,
  type ThreadUse,
} from './threadUse';
