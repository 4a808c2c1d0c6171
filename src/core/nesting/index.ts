/**
 * Pieces laid on cloth so that little is wasted. Guaranteed: nothing lies on anything else or on used areas, nothing is turned over
 * or turned in a way that the cloth forbids, all lies between the selvedges. Not guaranteed: the shortest layout (a bound is given).
 * Cost: a first layout in about a second for 200 pieces; then as long as it is let.
 */
export { nest, type NestCloth, type NestOptions, type Nested, type PlacedPiece } from './nest';
export { polygonArea, type PieceKind, type Turns } from './pieces';
export { noFitOf, depthAt, type NoFit } from './noFit';
export { convexParts } from './convexParts';
