import { tz } from '@date-fns/tz';
import { format } from 'date-fns';
import { daysInWeek, millisecondsInDay } from 'date-fns/constants';

/** A day of the calendar, `2026-03-28`: the same everywhere, in no time zone. */
export type Day = string;

const FORM = 'yyyy-MM-dd';
/** Days are told in one fixed zone, so that no clock change falls on them. */
const ZONE = tz('UTC');

/** The moment at which a day begins in that zone, ms since 1970. Calendars ask for thousands of days while an entry is dragged. */
const at = (day: Day) => Date.parse(day);

/** Whether a text names a day that exists: not the 30th of February, which is read as a day in March, or not at all, and none of the year 0. */
export function isDay(text: string): boolean {
  if (!/^(?!0000)\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  const time = at(text);
  return !Number.isNaN(time) && new Date(time).toISOString().startsWith(text);
}

/** @throws RangeError where `day` is none */
export function plusDays(day: Day, days: number): Day {
  return new Date(at(day) + days * millisecondsInDay).toISOString().slice(0, FORM.length);
}

/** Days from one to another; negative where the other comes before. */
export function daysBetween(from: Day, to: Day): number {
  return (at(to) - at(from)) / millisecondsInDay;
}

/** The Monday of a day's week. */
export function mondayOf(day: Day): Day {
  const sinceMonday = (new Date(at(day)).getUTCDay() + daysInWeek - 1) % daysInWeek;
  return plusDays(day, -sinceMonday);
}

/** The day at a moment in a time zone. @param time ms since 1970 */
export function dayAt(time: number, timeZone: string): Day {
  return format(tz(timeZone)(time), FORM);
}

/** A day in words, “Sat 28 Mar 2026”. */
export function dayWords(day: Day): string {
  return format(ZONE(at(day)), 'EEE d MMM yyyy');
}

/** Days of a forecast that is told to the day, and of one that is told to the month. */
const [TO_THE_DAY, TO_THE_MONTH] = [92, 2 * 365];

/** A day that is only reckoned: a quarter of a year ahead to the day, two years ahead to the month, further to the year. */
export function forecastWords(day: Day, today: Day): string {
  const ahead = daysBetween(today, day);
  if (ahead <= TO_THE_DAY) return dayWords(day);
  return format(ZONE(at(day)), ahead <= TO_THE_MONTH ? 'MMM yyyy' : 'yyyy');
}
