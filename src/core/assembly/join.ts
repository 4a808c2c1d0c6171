import type { Chain } from './interface';
import type { Slide } from './slides';

/** What a join makes, where the block has it more than once. */
export interface Repeat {
  /** A, B, C … in the order in which such units are first made. */
  readonly letter: string;
  /** This is the how-manieth of so many. */
  readonly copy: number;
  readonly copies: number;
}

/** A chain as it is sewn: where its thread comes from. */
export interface Run extends Chain {
  /** Whether the thread of the run before, of this join or the last, goes on into it. */
  readonly carriesOn: boolean;
  /** The way of the needle from where that ended to where this begins, hidden in folds; none where it is the same place. */
  readonly slides: readonly Slide[];
}

/** Sewing two units together along all seams between them. */
export interface Join {
  /** `j1`, `j2`, … in sewing order. */
  readonly id: string;
  /** Patch indices of the larger unit, and of the smaller one. */
  readonly left: readonly number[];
  readonly right: readonly number[];
  readonly seams: readonly number[];
  /** In the direction in which to sew. */
  readonly chains: readonly Run[];
  readonly bends: number;
  readonly lengthMm: number;
  /** Threads begun for this join; 0 when the thread of the join before carries on and suffices. */
  readonly threadStarts: number;
  readonly carriesOn: boolean;
  /** Slides of its runs. */
  readonly slides: number;
  readonly minutes: number;
  /** Papers still inside the larger unit while this join is sewn: what weighs and stiffens the hand. */
  readonly papersInHand: number;
  /** Patches whose papers may come out now. */
  readonly releases: readonly number[];
  /** The letter of the unit that it makes, where the block has it more than once. */
  readonly repeat?: Repeat;
  /** Laid over the row before and sewn down from the front: nothing is folded, so nothing bends. */
  readonly isLaid?: true;
}

/** What a whole order costs. */
export interface PlanTotals {
  readonly joins: number;
  readonly bends: number;
  readonly threadStarts: number;
  readonly slides: number;
  /** Threads that the length of the seams alone asks for: no order begins fewer. */
  readonly threadStartsBound: number;
  readonly minutes: number;
  /** Patches of the largest unit that is handled while something is sewn to it. */
  readonly largestUnit: number;
  /** Joins that make a unit which the block has more than once. */
  readonly repeated: number;
}

/** A join of which it is not yet known how it is sewn. */
export interface BareJoin extends Pick<Join, 'left' | 'right' | 'seams'> {
  readonly chains: readonly Chain[];
}
