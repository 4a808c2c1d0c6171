export {
  checkSetting,
  defaultSetting,
  layOutTop,
  type Cell,
  type Setting,
  type Strip,
  type TopLayout,
} from './setting';
export { topPieces, type TopPiece, type TopPieces } from './topPieces';
export { shareStrips, type StripShare, type StripShares } from './shareStrips';
export { blockJoints, placeBlocks, type BlockJoint, type PlacedBlock, type SetBlock } from './topPatches';
export { blockEndings, type BlockEnding, type BlockSide, type EndingStrip } from './blockEndings';
export { fillsPlace } from './fillsPlace';
