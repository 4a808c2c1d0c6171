import { cumulativeStdNormalProbability } from 'simple-statistics';

/**
 * How far makers of one group differ in the hours that they sew: the spread of their logarithms. Half of a group lies within
 * a third below and a half above its middle.
 */
const SPREAD = 0.6;

/**
 * The share of a group that will have sewn so much in so many weeks, before anybody has begun: hours a week are taken as
 * log-normal about the group’s middle (few sew much more, many a little less).
 * @param minutes standard minutes of work
 * @param hoursPerWeek the middle of the group
 * @returns 0 to 1
 */
export function shareInTime(minutes: number, weeks: number, hoursPerWeek: number): number {
  if (minutes <= 0) return 1;
  if (weeks <= 0) return 0;
  const needed = minutes / 60 / weeks;
  return 1 - cumulativeStdNormalProbability(Math.log(needed / hoursPerWeek) / SPREAD);
}
