export {
  SAME_LENGTH_MM,
  SAME_POINT_MM,
  STRAIGHT_DEG,
  distance,
  toDegrees,
  toRadians,
  turnDegrees,
  type Point,
} from './point';
export {
  circleOf,
  directionAt,
  edgeLength,
  flatten,
  isStraight,
  locate,
  partOf,
  pointAt,
  reversed,
  sweepOf,
  type Circle,
  type Edge,
} from './edge';
export {
  FLATTEN_SAG_MM,
  areaOf,
  cornerAngle,
  cornerAngles,
  edgeOf,
  edgesOf,
  hasStraightSide,
  mirrored,
  movedOutline,
  perimeterOf,
  reversedOutline,
  sideLengths,
  signedArea,
  toPolygon,
  type Outline,
} from './outline';
export { perOutline } from './perOutline';
export { boxOf, boxOfPoints, narrowestBox, type Box, type TurnedBox } from './boundingBox';
export { roomiest, type Roomiest } from './roomiest';
export { findSelfCrossing } from './selfCrossing';
export { convexDepth, isConvex } from './convex';
export { outlinePath } from './outlinePath';
export { clusterPoints } from './clusterPoints';
export { EQUAL_LENGTH_MM, orderRound, steadyOrder } from './steady';
export {
  STAY,
  bestFit,
  bestMotion,
  centroidOf,
  compose,
  isInside,
  isSamePlace,
  layAgainst,
  middleOfBox,
  middleOfCorners,
  moveOutline,
  movePoint,
  outwardAt,
  reflectIn,
  shiftBy,
  turnAbout,
  turnOf,
  type Motion,
} from './motion';
