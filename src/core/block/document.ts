import type { Outline } from '../geometry';
import type { Patch } from './patch';

/** Present version of the block document and its file. */
export const BLOCK_FORMAT = 'kevlo.block/2';

/** Patches that a generator made, so that they can be made again with other figures. */
export interface Part {
  readonly id: string;
  /** Read by the generators; kept as it is. */
  readonly recipe: unknown;
  /** What the ids of its patches begin with; empty in a block that is one part. */
  readonly prefix: string;
  /** Where the middle of what was generated lies, mm, and by how much it is turned, degrees clockwise. */
  readonly x: number;
  readonly y: number;
  readonly turnDeg: number;
}

/** What a host says the colours mean; every patch against it is shown. */
export type ClothRule =
  /** These patches share one cloth. */
  | { readonly id: string; readonly kind: 'same'; readonly patches: readonly string[] }
  /** No two neighbours share a cloth: everywhere, or among these patches. */
  | { readonly id: string; readonly kind: 'differ'; readonly patches?: readonly string[] }
  /** Two cloths in turn round the ring (or along the row) that these patches make. */
  | { readonly id: string; readonly kind: 'alternate'; readonly patches: readonly string[] }
  /** This cloth never faces itself: across a seam, or across a joint of the setting. */
  | { readonly id: string; readonly kind: 'not-facing'; readonly fabric: string };

/** How the host has patches folded and held, where it is not as proposed. */
export interface BastingChoices {
  /** By paper, either way up: any outline of it. Conventions and methods by their names. */
  readonly kinds?: readonly {
    readonly outline: Outline;
    readonly convention?: string;
    readonly method?: string;
  }[];
  /** By patch id; comes before what its kind says. */
  readonly patches?: Readonly<Record<string, string>>;
}

/** A unit that the host always wants made, by its patches, and by which school where it is not that of the whole. */
export interface UnitPin {
  readonly patches: readonly string[];
  readonly school?: string;
}

/** Two units, each by its patches. */
export type UnitPair = readonly [readonly string[], readonly string[]];

/** The order of work that a host wants. What no longer fits the patches is kept, told and not followed. */
export interface OrderChoices {
  readonly school: string;
  readonly pins?: readonly UnitPin[];
  /** Units that are not to be joined to each other. */
  readonly apart?: readonly UnitPair[];
  /** The first unit is finished before the second. */
  readonly before?: readonly UnitPair[];
  /** Whether like units are made one after another, where it is not as proposed. */
  readonly isBatched?: boolean;
  /** When patches are basted, by the policy's name; all at first where nothing is chosen. */
  readonly policy?: string;
  /** How upper layers are sewn on, where it is not as proposed. */
  readonly applique?: { readonly papersOut?: 'before' | 'after'; readonly isCutAway?: boolean };
  /** Density of stitches, needleful and thread of this block by the names of the figures, where they are not the project’s. */
  readonly sewing?: Readonly<Record<string, number>>;
}

/** How a project folds and holds its papers, where it is not as proposed; a block's own choices come before it. */
export interface ProjectBasting {
  readonly kinds?: BastingChoices['kinds'];
  /** Cloths that are very pale: glue and its colour may show in them. */
  readonly pale?: readonly string[];
}

/** What a block is: kept as one document; everything else about it is computed. */
export interface BlockDocument {
  readonly format: typeof BLOCK_FORMAT;
  readonly patches: readonly Patch[];
  readonly parts?: readonly Part[];
  readonly rules?: readonly ClothRule[];
  /** The order of work that the host chose; the best where nothing is chosen. */
  readonly order?: OrderChoices;
  readonly basting?: BastingChoices;
  /** What the host wrote to single steps, by the step's id; kept while the step is not part of the order. */
  readonly notes?: Readonly<Record<string, string>>;
}
