import { itemAt } from '../lists';
import type { Point } from '../geometry';
import type { Limit, Solver } from '../solver';
import { cliquesOf, conflictsOf, type Candidate } from './conflicts';
import { placesOf, type FussyCloth, type Repeat } from './places';

/** A point of the motif round which a paper is cut, several alike for one wheel. */
export interface Anchor {
  readonly id: string;
  /** The cut outline about the motif point as origin, clockwise on screen, mm. */
  readonly outline: readonly Point[];
  /** How many make a set. */
  readonly setOf: number;
}

export interface FoundSets {
  /** Cuts of whole sets, anchor after anchor. */
  readonly placed: readonly Candidate[];
  readonly anchors: readonly AnchorSets[];
  /** Whether no other choice gives more, anchor by anchor. */
  readonly isProven: boolean;
}

export interface AnchorSets {
  readonly id: string;
  /** Places where the whole outline lies on the cloth, others not minded. */
  readonly places: number;
  readonly sets: number;
  /** No choice gives more sets than this beside those of the anchors before. */
  readonly most: number;
}

/** Below half a piece a rounding of the solver is no piece. */
const ROUNDING = 1e-6;

/**
 * The most whole sets of the first anchor, then of the next in what is left, and so on: an integer program over all places, in
 * which of cuts that lie on each other one is taken. Anchors before keep the number of their sets, not their places.
 * @param seconds for each anchor
 */
export function findSets(
  cloth: FussyCloth,
  repeat: Repeat,
  anchors: readonly Anchor[],
  solver: Solver,
  seconds: number,
): FoundSets {
  const candidates = anchors.flatMap(({ outline }, anchor) =>
    placesOf(cloth, repeat, outline).map((at): Candidate => ({ anchor, at })),
  );
  const conflicts = conflictsOf(candidates, anchors.map(({ outline }) => outline)); // prettier-ignore
  const all: Limit[] = cliquesOf(conflicts).map((variables) => ({ variables, most: 1 }));
  let chosen: readonly number[] = [];
  const told: AnchorSets[] = [];
  let isProven = true;
  anchors.forEach(({ id, setOf }, anchor) => {
    const own = candidates.flatMap((one, index) => (one.anchor === anchor ? [index] : []));
    const gains = candidates.map((one) => (one.anchor === anchor ? 1 : 0));
    const kept = anchors.slice(0, anchor).map((before, index): Limit => ({
      variables: candidates.flatMap((one, k) => (one.anchor === index ? [k] : [])),
      most: itemAt(told, index).sets * before.setOf,
      isExact: true,
    })); // prettier-ignore
    const later = candidates.flatMap((one, index) => (one.anchor > anchor ? [index] : []));
    const problem = {
      gains,
      limits: [...all, ...kept, ...later.map((one) => ({ variables: [one], most: 0 }))],
    };
    const solved = solver.solve(problem, seconds);
    const greedy = greedily(own, conflicts, chosen);
    const found = solved.values?.flatMap((value, index) => (value > 0.5 ? [index] : [])) ?? [];
    const best = countIn(found, own) >= countIn(greedy, own) ? found : greedy;
    const pieces = countIn(best, own);
    const sets = Math.floor(pieces / setOf);
    const bound = solved.isProven ? pieces : Math.min(own.length, solver.bound(problem, seconds) + ROUNDING);
    const most = Math.max(sets, Math.floor(bound / setOf));
    told.push({ id, places: own.length, sets, most });
    if (most > sets) isProven = false;
    // More than whole sets is left to those that follow.
    const surplus = new Set(best.filter((index) => own.includes(index)).slice(sets * setOf));
    chosen = best.filter((index) => !surplus.has(index));
  });
  return { placed: chosen.map((index) => itemAt(candidates, index)), anchors: told, isProven };
}

const countIn = (chosen: readonly number[], own: readonly number[]) => {
  const set = new Set(own);
  return chosen.filter((index) => set.has(index)).length;
};

/** What was chosen before, and of the new ones each, row by row, that lies on none of them. */
function greedily(
  own: readonly number[],
  conflicts: readonly (readonly number[])[],
  chosen: readonly number[],
): number[] {
  const taken = new Set(chosen);
  for (const index of own) if (!itemAt(conflicts, index).some((other) => taken.has(other))) taken.add(index);
  return [...taken];
}
