import { itemAt } from '../lists';
import type { BlockWork } from './agenda';
import { dropsOf, holidaysOf, isHoliday, type Calendar } from './calendar';
import { daysBetween, plusDays, type Day } from './days';
import { dropMinutes, endsOf } from './load';
import { shareInTime } from './shareInTime';

/** Which share of a group will have sewn a drop, and all before it, when the next one comes. */
export interface EarlyShare {
  readonly drop: string;
  /** 0 to 1. */
  readonly share: number;
  /** Minutes up to this drop, and the weeks that there are for them, holidays left out. */
  readonly minutes: number;
  readonly weeks: number;
}

/** Told before anybody has begun, from the hours a week that the calendar takes for the group’s middle. */
export function earlyShares(calendar: Calendar, blocks: readonly BlockWork[]): EarlyShare[] {
  const [drops, ends] = [dropsOf(calendar), endsOf(calendar)];
  let minutes = 0;
  return drops.map((drop, index) => {
    minutes += dropMinutes(drop, blocks);
    const weeks = sewingDays(calendar, itemAt(drops, 0).day, itemAt(ends, index)) / 7;
    return { drop: drop.id, share: shareInTime(minutes, weeks, calendar.hoursPerWeek), minutes, weeks };
  });
}

function sewingDays(calendar: Calendar, from: Day, to: Day): number {
  const holidays = holidaysOf(calendar);
  const days = Array.from({ length: Math.max(0, daysBetween(from, to)) }, (_, day) => plusDays(from, day));
  return days.filter((day) => !isHoliday(holidays, day)).length;
}
