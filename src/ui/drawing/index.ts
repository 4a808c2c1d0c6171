export { BendLayer } from './BendLayer';
export { BlockDrawing, type BlockDrawingProps, type DrawingMark } from './BlockDrawing';
export { type PatchInk } from './PatchLayer';
export { ThreadLayer } from './ThreadLayer';
export { Silhouette } from './Silhouette';
export { AROUND_ROOM, AROUND_SHARE, FoldLayer } from './FoldLayer';
export { PatchLayer } from './PatchLayer';
export { PatchLabel, PatchMark } from './PatchMark';
export { PleatLayer } from './PleatLayer';
