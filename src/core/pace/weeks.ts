import { itemAt } from '../lists';

export const DAY_MS = 86_400_000;
const WEEK_DAYS = 7;

/** Something sewn: when, in milliseconds since 1970, and how long it takes by the standards. */
export interface SewnWork {
  readonly at: number;
  readonly minutes: number;
}

/** A maker's history, as far as the pace is told from it. */
export interface MakerHistory {
  readonly id: string;
  /** When they began, or received their first bag; ms. */
  readonly since: number;
  /** Standard minutes that are still to be sewn. */
  readonly left: number;
  readonly work: readonly SewnWork[];
}

/** Seven days of a maker: what was sewn in them, and on which of them. */
export interface Week {
  /** Weeks before the present at which its middle lies: −0.5 for the last one. */
  readonly at: number;
  readonly minutes: number;
  /** Sittings in order; days from the week's begin, and minutes. */
  readonly sittings: readonly { readonly day: number; readonly minutes: number }[];
}

/** Longer histories are told from their last two years. */
const MOST_WEEKS = 104;

/** Whole weeks back from the present to the begin, the oldest first; days over at the begin belong to none. */
export function weeksOf({ since, work }: MakerHistory, now: number): Week[] {
  const count = Math.min(MOST_WEEKS, Math.max(0, Math.floor((now - since) / DAY_MS / WEEK_DAYS)));
  const begin = now - count * WEEK_DAYS * DAY_MS;
  const sittings = Array.from({ length: count }, (): { day: number; minutes: number }[] => []);
  for (const { at, minutes } of [...work].sort((a, b) => a.at - b.at)) {
    const days = (at - begin) / DAY_MS;
    if (at > now || days < 0) continue;
    const week = Math.min(count - 1, Math.floor(days / WEEK_DAYS));
    sittings[week]?.push({ day: days - week * WEEK_DAYS, minutes });
  }
  return sittings.map((own, week) => ({
    at: week - count + 0.5,
    minutes: own.reduce((sum, { minutes }) => sum + minutes, 0),
    sittings: own,
  }));
}

/** Days without an entry between two days with one, and the days since the last; nothing where there is no entry at all. */
export function silences(
  { work, since }: MakerHistory,
  now: number,
): { readonly between: readonly number[]; readonly now: number } {
  const days = [...new Set(work.filter(({ at }) => at <= now).map(({ at }) => Math.floor(at / DAY_MS)))].sort((a, b) => a - b); // prettier-ignore
  const between = days.slice(1).map((day, index) => day - itemAt(days, index));
  const last = Math.max(since, ...work.filter(({ at }) => at <= now).map(({ at }) => at));
  return { between, now: (now - last) / DAY_MS };
}
