import { median } from 'simple-statistics';

/** A step that somebody timed. */
export interface TimedWork {
  readonly maker: string;
  /** What kind of work it is: a basting method, or the kind of a step. */
  readonly work: string;
  /** By the standard, and as it was timed; min. */
  readonly standard: number;
  readonly minutes: number;
}

/** How long one kind of work takes in a group, as a share of its standard. */
export interface LearntStandard {
  readonly work: string;
  /** 0.8: four fifths of the standard. */
  readonly times: number;
  /** In eight of ten cases the truth lies between these. */
  readonly least: number;
  readonly most: number;
  readonly timed: number;
  readonly makers: number;
}

/** Standard deviations of ln(timed ÷ standard): of a standard before anything is known, from maker to maker, from one time to the next. */
const BEFORE = 0.25;
const BETWEEN = 0.3;
const WITHIN = 0.4;
/** A time of more than so many standards, or of less than that share of one, is a clock that was forgotten. */
const FORGOTTEN = 8;
/** Eight in ten of a normal distribution lie within so many deviations. */
const EIGHT_IN_TEN = 1.2816;

/**
 * What a group's timings say of the standards, work by work: logarithms of timed ÷ standard are taken as normal, the middle of each
 * maker's as one measure of the group (many times of one maker count little more than a few), and a standard is believed to be
 * within a quarter of the truth beforehand. Precision-weighted mean of normal measures; few timings change little.
 */
export function learntStandards(timed: readonly TimedWork[]): LearntStandard[] {
  const byWork = new Map<string, Map<string, number[]>>();
  for (const { maker, work, standard, minutes } of timed) {
    const share = minutes / standard;
    if (!(share > 1 / FORGOTTEN && share < FORGOTTEN)) continue;
    const makers = byWork.get(work) ?? new Map<string, number[]>();
    makers.set(maker, [...(makers.get(maker) ?? []), Math.log(share)]);
    byWork.set(work, makers);
  }
  return [...byWork].map(([work, makers]) => {
    let [weight, sum] = [1 / BEFORE ** 2, 0];
    for (const times of makers.values()) {
      const own = 1 / (BETWEEN ** 2 + WITHIN ** 2 / times.length);
      weight += own;
      sum += own * median(times);
    }
    const [middle, spread] = [sum / weight, EIGHT_IN_TEN / Math.sqrt(weight)];
    const count = [...makers.values()].reduce((all, times) => all + times.length, 0);
    return {
      work,
      times: Math.exp(middle),
      least: Math.exp(middle - spread),
      most: Math.exp(middle + spread),
      timed: count,
      makers: makers.size,
    };
  }).sort((a, b) => (a.work < b.work ? -1 : 1));
} // prettier-ignore
