import type { AssemblyPlan, Pin, Repeat, School, SewingSettings } from '../assembly';
import type { BasteMethod } from '../basting';
import type { OrderChoices, SeamGraph } from '../block';
import type { Point } from '../geometry';
import type { UnitSystem } from '../length';
import type { BastePolicy } from '../papers';
import type { BlockEnding } from '../setting';
import type { Sorted } from '../shapes';
import type { ChosenBasting } from './bastingChoices';
import type { BendFold } from './bendFolds';
import type { ThreadChoice } from './threadChoice';
import type { UnitCheck } from './unitCheck';

interface StepBase {
  readonly id: string;
  /** What to do, in a sentence or two. */
  readonly text: string;
  readonly minutes: number;
  /** What the host wrote to this step. */
  readonly hostNote?: string;
  /** What it is done with: another mark once one of its patches has another paper, size, hand or cloth. */
  readonly made?: string;
}

/** Wrapping papers of one kind, hand and cloth. */
export interface BasteStep extends StepBase {
  readonly kind: 'baste';
  /** Indices of the patches. */
  readonly patches: readonly number[];
  readonly method: BasteMethod;
}

/** A run of seams as it is to be sewn. */
export interface SewnChain {
  /** From the start dot to the end. */
  readonly path: readonly Point[];
  /** Intersections along it, both ends included: a knot at each. */
  readonly knots: readonly Point[];
  /** Half-way points of long seams: a knot too, so that a break costs half a seam. */
  readonly locks: readonly Point[];
  /** Corners where papers are folded. */
  readonly bends: readonly Point[];
  /** The middle intersection of a long run: an X of thread pulls it sharp. */
  readonly crossing?: Point;
  /** Whether the thread of the run before goes on into it, and the folds through which the needle slides there. */
  readonly carriesOn: boolean;
  readonly slides: readonly SewnSlide[];
}

/** The needle passes hidden through the fold along a side of a patch in hand. */
export interface SewnSlide {
  readonly patch: number;
  readonly side: number;
  readonly from: Point;
  readonly to: Point;
  readonly lengthMm: number;
}

export interface JoinStep extends StepBase {
  readonly kind: 'join';
  readonly left: readonly number[];
  readonly right: readonly number[];
  readonly chains: readonly SewnChain[];
  readonly lengthMm: number;
  readonly bends: number;
  readonly threadStarts: number;
  /** Whether the thread of the join before goes on into this one. */
  readonly carriesOn: boolean;
  /** Papers that are folded at its bends, in the order in which they are come to. */
  readonly folds: readonly BendFold[];
  readonly releases: readonly number[];
  /** Name of the unit that this join makes, as later steps call it. */
  readonly makes: string;
  /** Letter and count of the unit it makes, where the block has it more than once. */
  readonly repeat?: Repeat;
  /** “pair A”: what such a unit is called, where it has no name of its own. */
  readonly alike?: string;
  /** “row 2”, “the left half”: what is made, where that has a name of its own. */
  readonly whole?: string;
  /** Whether the host always wants the unit made that it makes, and by which school. */
  readonly pin?: { readonly school?: School };
  readonly isLaid?: true;
  /** Papers inside the larger unit while it is sewn. */
  readonly papersInHand: number;
  readonly thread: ThreadChoice;
  /** What the unit must measure and look like when it is done. */
  readonly check: UnitCheck;
  /** What to mind within the join, and the check, in sentences. */
  readonly notes: readonly string[];
}

/** Sewing a finished upper unit onto the layers below, or cutting away what it covers. */
export interface AppliqueStep extends StepBase {
  readonly kind: 'applique';
  readonly patches: readonly number[];
  readonly lengthMm: number;
}

/** What is left when a block is pieced: its square, its strips, papers that stay. */
export interface FinishStep extends StepBase {
  readonly kind: 'finish';
  readonly patches: readonly number[];
}

export type Step = BasteStep | JoinStep | AppliqueStep | FinishStep;

/** What `stepsOf` works from. */
export interface StepSources {
  readonly graph: SeamGraph;
  readonly plan: AssemblyPlan;
  readonly sorted: Sorted;
  readonly kindNames: readonly string[];
  /** For each patch the sides that stay raw. */
  readonly rawSides?: readonly (readonly number[])[];
  /** How patches are folded. */
  readonly chosen: ChosenBasting;
  /** By kind: how papers are held. */
  readonly methods: readonly BasteMethod[];
  readonly system: UnitSystem;
  readonly sewing: SewingSettings;
  /** Units that the host always wants made. */
  readonly pins?: readonly Pin[];
  readonly applique?: OrderChoices['applique'] | undefined;
  /** The patch that is a background of cloth: it is cut, not basted. */
  readonly background?: number | undefined;
  readonly allowanceMm: number;
  /** What the setting makes of the block when it is pieced; nothing where there is no setting yet. */
  readonly ending?: BlockEnding | undefined;
  /** When patches are basted; all first where nothing is said. */
  readonly policy?: BastePolicy | undefined;
}
