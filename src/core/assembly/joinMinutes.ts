import type { Chain } from './interface';
import type { Join } from './join';
import type { SewingSettings } from './sewingSettings';

/** A turn that costs a whole bend, degrees; the least and the most that a bend costs, as shares of that. */
const WHOLE_TURN_DEG = 90;
const [LEAST_SHARE, MOST_SHARE] = [0.25, 1.5];

/** Orders are told apart by minutes in steps of this many: what a drawing is off by a hair decides nothing, and of equals the first is taken. */
export const STEP_MINUTES = 0.0371;

/** Minutes as so many of those steps. */
export function inSteps(minutes: number): number {
  return Math.round(minutes / STEP_MINUTES);
}

/** Minutes that a bend takes: bendMinutes × clamp(turn ÷ 90°, 0.25, 1.5). */
export function bendMinutesAt(turnDeg: number, { bendMinutes }: SewingSettings): number {
  return bendMinutes * Math.min(MOST_SHARE, Math.max(LEAST_SHARE, turnDeg / WHOLE_TURN_DEG));
}

/** What the time of a join depends on. */
export interface JoinWork extends Pick<
  Join,
  'lengthMm' | 'threadStarts' | 'slides' | 'papersInHand' | 'isLaid'
> {
  readonly chains: readonly Pick<Chain, 'turns'>[];
}

/** How much slower the hand is with so many papers in it, as a factor from 1 on. */
export function slowedBy(papersInHand: number, { lightPapers, heavyShare }: SewingSettings): number {
  return 1 + heavyShare * Math.max(0, papersInHand - lightPapers);
}

/**
 * Minutes that a join takes: aligning, folding at each bend by how far it turns, beginning threads and sliding them on, and
 * the stitches; all of it slower by a share for each paper in the hand beyond those that are light. A join that is laid over
 * and sewn down folds nothing and takes smaller stitches.
 */
export function joinMinutes(
  { lengthMm, chains, threadStarts, slides, papersInHand, isLaid }: JoinWork,
  settings: SewingSettings,
): number {
  const { alignMinutes, threadStartMinutes, slideMinutes } = settings;
  const stitching = isLaid
    ? lengthMm / settings.appliqueMmPerMinute
    : (lengthMm * settings.stitchesPerMm) / settings.stitchesPerMinute;
  const turns = isLaid ? [] : chains.flatMap((chain) => chain.turns);
  const folding = turns.reduce((sum, turn) => sum + bendMinutesAt(turn, settings), 0);
  const thread = threadStarts * threadStartMinutes + slides * slideMinutes;
  return (alignMinutes + folding + thread + stitching) * slowedBy(papersInHand, settings);
}
