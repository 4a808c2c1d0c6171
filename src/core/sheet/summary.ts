import type { StepOfPatches } from '../progress';
import type { BlockSheet } from './blockSheet';
import { itemAt } from '../lists';
import { skillsOf, workOf } from './skills';
import { withUnits } from './stepUnits';

/** A step as lists and walls need it: what it is called, what it says and how long it takes. */
export interface SummaryStep extends StepOfPatches {
  readonly text: string;
  readonly minutes: number;
  /** What kind of work it is, and what hands must know for it. */
  readonly work: string;
  readonly skills: readonly string[];
}

/** The little of a block's sheet that lists, walls and ticks need: about a tenth of it. */
export interface BlockSummary {
  readonly steps: readonly SummaryStep[];
  /** Problems of the drawing and violations of the cloth rules. */
  readonly problems: number;
  /** Places where two tails lie across one seam. */
  readonly clashes: number;
  /** What each patch is made of, by its id. */
  readonly marks: Readonly<Record<string, string>>;
  /** What lies in its bag, and of which cloths. */
  readonly bag: string;
  readonly cloths: readonly string[];
}

/** Takes from a sheet what lists, walls and ticks need. */
export function summarise({
  steps,
  patches,
  problems,
  violations,
  plan,
  marks,
  bag,
  bagMark,
}: BlockSheet): BlockSummary {
  const outlines = patches.map(({ outline }) => outline);
  return {
    steps: steps.map((step) => ({
      ...withUnits(step, patches),
      text: step.text,
      minutes: step.minutes,
      work: workOf(step),
      skills: skillsOf(step, outlines),
    })),
    problems: problems.length + violations.length,
    clashes: plan.clashes,
    marks: Object.fromEntries(patches.map(({ id }, patch) => [id, itemAt(marks, patch)])),
    bag: bagMark,
    cloths: bag.fabrics.map(({ fabric }) => fabric),
  };
}
