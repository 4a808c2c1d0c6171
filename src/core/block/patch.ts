import type { Outline } from '../geometry';

/** A paper in its place in a block, with the cloth it is to be wrapped in. */
export interface Patch {
  /** Id of the shape in the drawing; unique in its block. */
  readonly id: string;
  readonly outline: Outline;
  /** Name of the fabric. */
  readonly fabric: string;
  /** 0 is pieced first; higher layers are appliquéd over lower ones. */
  readonly layer: number;
}

/** What a block is: kept as one document; everything else about it is computed. */
export interface BlockDocument {
  readonly format: 'kevlo.block/1';
  readonly patches: readonly Patch[];
  /** What a generated block was made from; kept as it is, read by the generators. */
  readonly recipe?: unknown;
}
