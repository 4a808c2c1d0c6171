import { tz } from '@date-fns/tz';
import { addDays, differenceInCalendarDays, format, isValid, parse, startOfISOWeek } from 'date-fns';

/** A day of the calendar, `2026-03-28`: the same everywhere, in no time zone. */
export type Day = string;

const FORM = 'yyyy-MM-dd';
// Days are reckoned at noon of one fixed zone, so that no clock change falls on them.
const ZONE = { in: tz('UTC') };
const at = (day: Day) => parse(day, FORM, new Date(0), ZONE);

/** Whether a text names a day that exists: not the 30th of February. */
export function isDay(text: string): boolean {
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && isValid(at(text));
}

export function plusDays(day: Day, days: number): Day {
  return format(addDays(at(day), days), FORM);
}

/** Days from one to another; negative where the other comes before. */
export function daysBetween(from: Day, to: Day): number {
  return differenceInCalendarDays(at(to), at(from), ZONE);
}

/** The Monday of a day's week. */
export function mondayOf(day: Day): Day {
  return format(startOfISOWeek(at(day), ZONE), FORM);
}

/** The day at a moment in a time zone. @param time ms since 1970 */
export function dayAt(time: number, timeZone: string): Day {
  return format(tz(timeZone)(time), FORM);
}

/** A day in words, “Sat 28 Mar 2026”. */
export function dayWords(day: Day): string {
  return format(at(day), 'EEE d MMM yyyy');
}
