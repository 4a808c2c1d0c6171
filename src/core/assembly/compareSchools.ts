import type { SeamGraph } from '../block';
import { planAssembly, type AssemblyPlan } from './planAssembly';
import { SCHOOLS, type School } from './schools';
import type { SewingSettings } from './sewingSettings';

/** What one school's order costs, beside the others'. */
export interface SchoolSummary {
  readonly school: School;
  readonly name: string;
  readonly what: string;
  readonly bends: number;
  readonly bendsBound: number;
  readonly bendsLeast: number;
  readonly threadStarts: number;
  readonly minutes: number;
  readonly largestUnit: number;
  /** Share of the joins that make a unit which is made more than once, 0 to 1. */
  readonly repeatedShare: number;
  /** What it costs against the best, in a sentence. */
  readonly says: string;
}

/**
 * Plans a block by every school that has an order for it. Cost: that of a plan for each.
 * @param known a plan that is there already, by one of the schools and without wishes
 */
export function compareSchools(
  graph: SeamGraph,
  settings?: SewingSettings,
  known?: AssemblyPlan,
): SchoolSummary[] {
  const all = Object.keys(SCHOOLS) as School[];
  const plans = all
    .map((school) => (known?.school === school ? known : planAssembly(graph, settings, undefined, school)))
    .filter(({ isTaught }) => isTaught);
  const [best] = plans;
  // A block without patches has no order, and so none to compare.
  if (!best) return [];
  return plans.map(({ school, totals, bendsBound, bendsLeast }) => {
    const { bends, threadStarts, minutes, largestUnit, repeated, joins } = totals;
    const repeatedShare = joins === 0 ? 0 : repeated / joins;
    return {
      school,
      ...SCHOOLS[school],
      bends,
      bendsBound,
      bendsLeast,
      threadStarts,
      minutes,
      largestUnit,
      repeatedShare,
      says:
        school === 'best'
          ? 'What the others are measured by.'
          : comparedWith(totals, best.totals, 'the first'),
    };
  });
}

/** What an order costs more or less than another, in a sentence. */
export function comparedWith(
  own: AssemblyPlan['totals'],
  other: AssemblyPlan['totals'],
  name: string,
): string {
  const more = {
    bends: own.bends - other.bends,
    threadStarts: own.threadStarts - other.threadStarts,
    minutes: own.minutes - other.minutes,
  };
  return sayMore(more, name);
}

/** What an order costs more than another, in a sentence: “1 more bend, 5 more minutes than this order.” */
export function sayMore(
  { bends, threadStarts, minutes }: Pick<AssemblyPlan['totals'], 'bends' | 'threadStarts' | 'minutes'>,
  name: string,
): string {
  const say = (by: number, one: string, many: string) =>
    by === 0 ? '' : `${Math.abs(by)} ${by > 0 ? 'more' : 'fewer'} ${Math.abs(by) === 1 ? one : many}`;
  const parts = [
    say(bends, 'bend', 'bends'),
    say(threadStarts, 'thread', 'threads'),
    // Half a minute less is as much as half a minute more.
    say(Math.sign(minutes) * Math.round(Math.abs(minutes)), 'minute', 'minutes'),
  ].filter((part) => part !== '');
  return parts.length === 0 ? `Costs the same as ${name}.` : `${parts.join(', ')} than ${name}.`;
}
