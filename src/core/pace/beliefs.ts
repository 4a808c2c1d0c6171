import { itemAt } from '../lists';
import type { Belief } from './finish';
import { fitPace, type GroupPace, type Pace } from './pace';
import type { Week } from './weeks';

/** How probable a changing pace is beforehand, and how it changes then: ln per week. */
const CHANGES = 0.35;
const CHANGE = { mean: -0.06, variance: 0.03 ** 2 };
const KEEPS = { mean: 0, variance: 0.005 ** 2 };

/** Rounds in which the group teaches how many of its paces change; more move it by less than a hundredth. */
const ROUNDS = 4;
/** With how many makers the beforehand share of changing paces is weighed. */
const CHANGES_MAKERS = 5;

/** Of the last weeks one may have been missed: less than this share of what is expected. */
const RECENT = 4;
const MISSED = 0.2;

/** From this probability on a pace is said to change. */
const SAID = 0.5;

export type Paces = Belief['paces'];

/**
 * A pace that holds and one that changes for each maker, as probable as their weeks make them; how many of a group change, and how
 * fast, is learnt from all of them (empirical Bayes).
 */
export function beliefsOf(weeks: readonly (readonly Week[])[], group: GroupPace): Paces[] {
  const keeping = weeks.map((own) => fitPace(own, group, KEEPS));
  let [share, change] = [CHANGES, CHANGE];
  let beliefs: Paces[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    beliefs = weeks.map((own, index) => weighed(itemAt(keeping, index), fitPace(own, group, change), share));
    const changing = beliefs.map((paces) => itemAt(paces, 1));
    const sum = changing.reduce((total, { probability }) => total + probability, 0);
    const drifts = changing.reduce((total, { pace, probability }) => total + probability * pace.drift, 0);
    share = (CHANGES * CHANGES_MAKERS + sum) / (CHANGES_MAKERS + weeks.length);
    change = { ...CHANGE, mean: (CHANGE.mean + drifts) / (1 + sum) };
  }
  return beliefs;
}

function weighed(keeps: Pace, changes: Pace, share: number): Paces {
  const odds = (share / (1 - share)) * Math.exp(Math.min(50, changes.evidence - keeps.evidence));
  const probability = odds / (1 + odds);
  return [{ pace: keeps, probability: 1 - probability }, { pace: changes, probability }]; // prettier-ignore
}

export function likeliest(paces: Paces): Pace {
  return paces.reduce((best, one) => (one.probability > best.probability ? one : best)).pace;
}

/** Whether a maker sews less and less; one missed week alone does not say so. */
export function slowsDown(weeks: readonly Week[], paces: Paces, group: GroupPace): boolean {
  if (!isFalling(paces)) return false;
  const missed = weeks.findLast(({ minutes }, index) => index >= weeks.length - RECENT && minutes < MISSED * Math.exp(likeliest(paces).level)); // prettier-ignore
  if (missed === undefined) return true;
  const without = weeks.filter((week) => week !== missed);
  return isFalling(weighed(fitPace(without, group, KEEPS), fitPace(without, group, CHANGE), CHANGES));
}

const isFalling = (paces: Paces) => itemAt(paces, 1).probability > SAID && itemAt(paces, 1).pace.drift < 0;
