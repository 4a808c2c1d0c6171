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
  /** Id of the part of the document that a generator made this patch for. */
  readonly part?: string;
  /** Patches with the same group are picked and moved together. */
  readonly group?: string;
  /** A locked patch stays where and as it is. */
  readonly isLocked?: boolean;
  /** What the host decided of single sides, by their number: left raw, or turned under. Others follow the layers. */
  readonly edges?: Readonly<Record<string, 'raw' | 'turned'>>;
}
