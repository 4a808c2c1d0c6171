export { stitchesOn, threadOn, threadPerStitch, threadUse, type ThreadUse } from './threadUse';
