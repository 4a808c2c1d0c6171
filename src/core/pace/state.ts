import { mean } from 'simple-statistics';
import { dayAt, dayWords } from '../calendar';
import { counted, formatMinutes } from '../words';
import { slowsDown, likeliest, type Paces } from './beliefs';
import type { GroupPace } from './pace';
import { DAY_MS, silences, type MakerHistory, type Week } from './weeks';

export type PaceState = 'ahead' | 'on-pace' | 'slipping' | 'stalled' | 'done';

/** What a state is told from. */
export interface Standing {
  readonly maker: MakerHistory;
  readonly weeks: readonly Week[];
  readonly paces: Paces;
  readonly group: GroupPace;
  readonly date80: number;
  /** When half of a group's makers will be done with even chances; undefined for a group of one or two. */
  readonly middle: number | undefined;
  readonly now: number;
  readonly momentOf: MomentOf;
  /** By whose clock a day is told. */
  readonly timeZone: string;
}

/** The moment at which the clock by which a maker is told shows something. */
export type MomentOf = (shown: number) => number;

/** A maker is not called stalled before so many days, whatever they did before: one week that was missed means nothing. */
const LEAST_SILENCE = 15;
/** Own usual days between entries, times this. */
const USUAL = 3;
/** The silence in which one would find this maker on any day, times this: who sews in bursts is silent in between. */
const MET = 2;
/** Expected of whom too little is known. */
const USUAL_DAYS = 7;

/** Whether a maker is ahead, on pace, slipping, stalled or done, and why, in a sentence. */
export function stateOf(standing: Standing): { readonly state: PaceState; readonly reason: string } {
  const { maker, weeks, paces, group, date80, middle, now, momentOf, timeZone } = standing;
  if (maker.left <= 0) return { state: 'done', reason: 'Everything is sewn.' };
  const stalled = stalledFor(maker, now, momentOf, timeZone);
  if (stalled !== undefined) return { state: 'stalled', reason: stalled };
  const { level, drift } = likeliest(paces);
  const [weekly, left] = [formatMinutes(Math.exp(level)), formatMinutes(maker.left)];
  if (slowsDown(weeks, paces, group)) {
    const before = formatMinutes(Math.exp(level - drift * weeks.length));
    return { state: 'slipping', reason: `About ${weekly} a week now, ${before} ${counted(weeks.length, 'week')} ago; ${left} of work left.` }; // prettier-ignore
  }
  if (middle !== undefined && date80 < middle)
    return {
      state: 'ahead',
      reason: `About ${weekly} a week; even in slow weeks done before the middle of the group.`,
    };
  const own = weeks.filter(({ minutes }) => minutes > 0).length;
  const few = own === 0 ? 'No week with an entry yet' : `Only ${counted(own, 'week')} with entries so far`;
  const known = own < 3 ? `${few}, so the group’s pace is reckoned in: about` : 'About';
  return { state: 'on-pace', reason: `${known} ${weekly} a week; ${left} of work left.` };
}

/** Why a maker is called stalled; undefined where they are not. */
export function stalledFor(
  maker: MakerHistory,
  now: number,
  momentOf: MomentOf = (shown) => shown,
  timeZone = 'UTC',
): string | undefined {
  const { between, now: silent } = silences(maker, now);
  const sum = between.reduce((total, gap) => total + gap, 0);
  const usual = between.length > 0 ? mean(between) : USUAL_DAYS;
  const met = between.length > 0 ? between.reduce((total, gap) => total + gap * gap, 0) / sum : USUAL_DAYS;
  if (silent <= Math.max(LEAST_SILENCE, USUAL * usual, MET * met)) return undefined;
  const since = momentOf(now - silent * DAY_MS);
  const isWhole = momentOf(now) - since < (silent + 0.5) * DAY_MS;
  const days = `${counted(Math.floor(silent), 'day')}${isWhole ? '' : ' beside holidays'}`;
  const hasBegun = maker.work.some(({ at }) => at <= now);
  if (!hasBegun) return `No entry in ${days} since the start.`;
  const often =
    between.length > 0 ? `; usually ${counted(Math.max(1, Math.round(usual)), 'day')} between entries` : '';
  return `No entry for ${days} (since ${dayWords(dayAt(since, timeZone))})${often}.`;
}
