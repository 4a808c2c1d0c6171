export { stitchesOn, threadOn, threadPerStitch, threadUse, type SewnRun, type ThreadUse } from './threadUse';
