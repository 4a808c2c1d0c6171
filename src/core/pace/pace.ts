import { linearRegression, linearRegressionLine, mean, median, variance } from 'simple-statistics';
import { itemAt } from '../lists';
import type { Week } from './weeks';

/**
 * What is believed of a maker's weeks: ln(minutes a week) = level + drift × weeks from now, with the uncertainty of both
 * (a normal distribution); and how much weeks vary about that.
 */
export interface Pace {
  readonly level: number;
  readonly drift: number;
  /** Variances of level and drift, and what they share. */
  readonly spread: readonly [level: number, both: number, drift: number];
  /** Variance of a week divided by its mean, minutes: small for who sews alike every week, large for who sews in bursts. */
  readonly lumpiness: number;
  /** How well weeks of this kind are told by it, for comparing with another belief; a logarithm. */
  readonly evidence: number;
}

/** What a group makes one expect of a maker of whom nothing is known yet. */
export interface GroupPace {
  /** ln(minutes a week) and its variance from maker to maker. */
  readonly level: number;
  readonly levelVariance: number;
  readonly lumpiness: number;
}

/** Where nobody has sewn yet: two hours a week, give or take a factor of two. */
const UNKNOWN: GroupPace = { level: Math.log(120), levelVariance: 0.5, lumpiness: 60 };

/** Makers of one group differ at least so much: variance of ln(minutes a week). */
const LEAST_LEVEL_VARIANCE = 0.06;
/** How many weeks of the group one's own variation is weighed against. */
const LUMPINESS_WEEKS = 3;
/** Nobody sews more evenly than this: minutes. A week of 100 goes up and down by 28. */
const LEAST_LUMPINESS = 8;

/** What the makers of a group have in common, told from the weeks of each up to their last entry. */
export function groupPace(makers: readonly (readonly Week[])[]): GroupPace {
  const sewing = makers.map(upToLastEntry).filter((weeks) => weeks.length >= 3);
  if (sewing.length === 0) return UNKNOWN;
  const lumpiness = Math.max(LEAST_LUMPINESS, median(sewing.map(ownLumpiness)));
  const noises = sewing.map((weeks) => lumpiness / weeks.reduce((sum, { minutes }) => sum + minutes, 0));
  // The logarithm of a mean that varies is too small by half its variance.
  const levels = sewing.map(
    (weeks, index) => Math.log(mean(weeks.map(({ minutes }) => minutes))) + itemAt(noises, index) / 2,
  );
  const noise = mean(noises);
  const few = UNKNOWN.levelVariance / sewing.length;
  return {
    level: median(levels),
    levelVariance: Math.max(LEAST_LEVEL_VARIANCE, variance(levels) - noise) + few,
    lumpiness,
  };
}

/** Weeks without those at the end in which nothing was sewn. */
export function upToLastEntry(weeks: readonly Week[]): readonly Week[] {
  return weeks.slice(0, weeks.findLastIndex(({ minutes }) => minutes > 0) + 1);
}

/**
 * Variance over mean of weekly sums, about the straight line through them; neighbouring weeks that go up and down together make it
 * larger (holidays, bursts).
 */
function ownLumpiness(weeks: readonly Week[]): number {
  const average = weeks.length < 3 ? 0 : mean(weeks.map(({ minutes }) => minutes));
  if (average <= 0) return 0;
  const line = linearRegressionLine(linearRegression(weeks.map(({ at, minutes }) => [at, minutes])));
  const off = weeks.map(({ at, minutes }) => minutes - line(at));
  const own = off.reduce((sum, value) => sum + value * value, 0) / (weeks.length - 2);
  const neighbours = off.slice(1).reduce((sum, value, index) => sum + value * (off[index] ?? 0), 0) / (weeks.length - 2);
  return (own + Math.max(0, neighbours)) / average;
} // prettier-ignore

/** What a pace is told from: weeks, how much they vary, and what is believed beforehand. */
interface Evidence {
  readonly weeks: readonly Week[];
  readonly lumpiness: number;
  readonly group: GroupPace;
  readonly drift: { readonly mean: number; readonly variance: number };
  /** The group's pace is expected of the middle of a history, not of its end: who slows down began like the others. */
  readonly middle: number;
}

/** Steps of Newton's method; a handful are taken. */
const MOST_STEPS = 30;

/**
 * Fits a maker's pace: the most probable level and drift for weeks whose variance is `lumpiness` times their mean
 * (quasi-Poisson), with normal beliefs beforehand; Newton's method. @param drift what is believed of it beforehand
 */
export function fitPace(weeks: readonly Week[], group: GroupPace, drift: Evidence['drift']): Pace {
  const known = Math.max(0, weeks.length - 2);
  const ownShare = known / (known + LUMPINESS_WEEKS);
  const lumpiness = Math.max(
    LEAST_LUMPINESS,
    ownShare * ownLumpiness(weeks) + (1 - ownShare) * group.lumpiness,
  );
  const evidence = { weeks, lumpiness, group, drift, middle: ((weeks[0]?.at ?? 0) - 0.5) / 2 };
  let [level, slope] = [group.level, drift.mean];
  for (let step = 0; step < MOST_STEPS; step++) {
    const [[a, b, c], [down, along]] = [
      curvatureAt(level, slope, evidence),
      gradientAt(level, slope, evidence),
    ];
    const det = a * c - b * b;
    const [byLevel, bySlope] = [(c * down - b * along) / det, (a * along - b * down) / det];
    // A long step of the exponential overshoots.
    const part = Math.min(1, 1 / Math.max(Math.abs(byLevel), 20 * Math.abs(bySlope), 1e-12));
    level += part * byLevel;
    slope += part * bySlope;
    if (Math.abs(byLevel) + Math.abs(bySlope) < 1e-9) break;
  }
  const [a, b, c] = curvatureAt(level, slope, evidence);
  const det = a * c - b * b;
  const occam = 0.5 * Math.log(det * group.levelVariance * drift.variance);
  return { level, drift: slope, spread: [c / det, -b / det, a / det], lumpiness, evidence: likelihood(level, slope, evidence) - occam }; // prettier-ignore
}

function gradientAt(level: number, slope: number, { weeks, lumpiness, group, drift, middle }: Evidence): [number, number] {
  const pull = (group.level - level - slope * middle) / group.levelVariance;
  let [byLevel, bySlope] = [pull, pull * middle + (drift.mean - slope) / drift.variance];
  for (const { at, minutes } of weeks) {
    const off = (minutes - Math.exp(level + slope * at)) / lumpiness;
    byLevel += off;
    bySlope += off * at;
  }
  return [byLevel, bySlope];
} // prettier-ignore

/** Second derivatives of the negative logarithm: level twice, level and slope, slope twice. */
function curvatureAt(level: number, slope: number, { weeks, lumpiness, group, drift, middle }: Evidence): [number, number, number] {
  const pull = 1 / group.levelVariance;
  let [a, b, c] = [pull, pull * middle, pull * middle ** 2 + 1 / drift.variance];
  for (const { at } of weeks) {
    const weight = Math.exp(level + slope * at) / lumpiness;
    a += weight;
    b += weight * at;
    c += weight * at * at;
  }
  return [a, b, c];
} // prettier-ignore

function likelihood(
  level: number,
  slope: number,
  { weeks, lumpiness, group, drift, middle }: Evidence,
): number {
  const before = (level + slope * middle - group.level) ** 2 / group.levelVariance + (slope - drift.mean) ** 2 / drift.variance; // prettier-ignore
  return weeks.reduce((sum, { at, minutes }) => {
    const expected = Math.exp(level + slope * at);
    return sum + (minutes * (level + slope * at) - expected) / lumpiness;
  }, -before / 2);
}
