import { lastOf } from '../lists';
import type { BlockWork } from './agenda';
import { dropsOf, type Calendar, type Drop } from './calendar';
import { plusDays, type Day } from './days';
import { endsOf } from './load';

/** What a host tries out: nothing of it is kept until it is asked for. */
export interface Supposition {
  readonly hoursPerWeek: number;
  /** How long everything takes, of the standard: 1.2 for a slower group. */
  readonly times: number;
  /** By how many weeks the end comes later. */
  readonly weeksMore: number;
  /** Ids of blocks that are left out. */
  readonly without: readonly string[];
}

/**
 * A calendar and its blocks as they would be. Weeks that are added are shared out among the drops to come: each moves by whole weeks,
 * so that it keeps its weekday, the first, fixed ones and those before today not at all.
 */
export function suppose(
  calendar: Calendar,
  blocks: readonly BlockWork[],
  { hoursPerWeek, times, weeksMore, without }: Supposition,
  today: Day,
): { readonly calendar: Calendar; readonly blocks: readonly BlockWork[] } {
  const drops = dropsOf(calendar);
  const moved = new Map(
    drops.map((drop, index): [string, Drop] => {
      const stays = index === 0 || drop.isFixed || drop.day < today;
      const weeks = stays ? 0 : Math.round((weeksMore * index) / drops.length);
      const own = drop.blocks.filter((block) => !without.includes(block));
      return [drop.id, { ...drop, day: plusDays(drop.day, 7 * weeks), blocks: own }];
    }),
  );
  const entries = calendar.entries.map((entry) => moved.get(entry.id) ?? entry);
  const end = weeksMore === 0 || drops.length === 0 ? {} : { endsOn: plusDays(lastOf(endsOf(calendar)), 7 * weeksMore) };
  return {
    calendar: { ...calendar, hoursPerWeek, entries, ...end },
    blocks: blocks.map((block) => ({ ...block, minutes: without.includes(block.id) ? 0 : block.minutes * times })),
  };
} // prettier-ignore
