/** What an integer program looks like to the core. The solver itself is handed in: it is a library that has to be loaded. */
export interface WholeProblem {
  /** What each variable adds to the sum that is made greatest. */
  readonly gains: readonly number[];
  readonly limits: readonly Limit[];
  /** How large each variable may be, from 0 in whole steps; 1 for all where it is not given. */
  readonly upper?: readonly number[];
}

/** A sum of variables, each as often as its weight says (once where none is given), of at most or exactly so many. */
export interface Limit {
  readonly variables: readonly number[];
  readonly weights?: readonly number[];
  readonly most: number;
  readonly isExact?: boolean;
}

export interface Solved {
  /** Whether nothing better exists; false where the time ended first. */
  readonly isProven: boolean;
  /** Whether it is certain that nothing keeps all limits. */
  readonly isImpossible: boolean;
  /** A whole number for each variable; undefined where none was found. */
  readonly values: readonly number[] | undefined;
}

/** Solves integer programs, and says what no solution can exceed. */
export interface Solver {
  /** @param seconds when to stop with the best so far */
  readonly solve: (problem: WholeProblem, seconds: number) => Solved;
  /** The greatest sum if variables may be split: no solution is above it. */
  readonly bound: (problem: WholeProblem, seconds: number) => number;
}
