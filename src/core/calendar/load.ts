import { itemAt, lastOf } from '../lists';
import type { BlockWork } from './agenda';
import { dropsOf, holidaysOf, isHoliday, type Calendar, type Drop } from './calendar';
import { daysBetween, mondayOf, plusDays, type Day } from './days';

/** What one maker has to sew in a week to be done with each drop when the next comes. */
export interface WeekLoad {
  readonly monday: Day;
  /** Standard minutes. */
  readonly minutes: number;
  /** What a maker is expected to sew in this week: less where days of it are holidays. */
  readonly room: number;
}

/** A last drop, and a single one, is sewn in four weeks where nothing says how far drops lie apart. */
const LAST_DAYS = 28;

/** The day by which each drop is to be sewn: the next one's; for the last what the calendar says, or as long as those before in the mean. */
export function endsOf(calendar: Calendar): Day[] {
  const drops = dropsOf(calendar);
  if (drops.length === 0) return [];
  const [first, last] = [itemAt(drops, 0), lastOf(drops)];
  const mean = drops.length > 1 ? Math.max(7, Math.round(daysBetween(first.day, last.day) / (drops.length - 1))) : LAST_DAYS;
  const { endsOn = '' } = calendar;
  const end = endsOn > last.day ? endsOn : plusDays(last.day, mean);
  return drops.map((_, index) => drops[index + 1]?.day ?? end);
} // prettier-ignore

/** The weeks from the first drop to the end of the last, with the work of each drop spread evenly over its days. */
export function weeklyLoad(calendar: Calendar, blocks: readonly BlockWork[]): WeekLoad[] {
  const [drops, holidays] = [dropsOf(calendar), holidaysOf(calendar)];
  const ends = endsOf(calendar);
  const minutesOn = new Map<Day, number>();
  drops.forEach((drop, index) => {
    const days = daysFrom(drop.day, itemAt(ends, index)).filter((day) => !isHoliday(holidays, day));
    const minutes = dropMinutes(drop, blocks);
    for (const day of days) minutesOn.set(day, (minutesOn.get(day) ?? 0) + minutes / days.length);
  });
  const first = drops[0] && mondayOf(drops[0].day);
  if (first === undefined) return [];
  const weeks = Math.ceil(daysBetween(first, lastOf(ends)) / 7);
  return Array.from({ length: weeks }, (_, week) => {
    const monday = plusDays(first, 7 * week);
    const days = daysFrom(monday, plusDays(monday, 7));
    const free = days.filter((day) => !isHoliday(holidays, day)).length;
    const minutes = days.reduce((sum, day) => sum + (minutesOn.get(day) ?? 0), 0);
    return { monday, minutes, room: (calendar.hoursPerWeek * 60 * free) / 7 };
  });
}

export function dropMinutes({ blocks: own }: Pick<Drop, 'blocks'>, blocks: readonly BlockWork[]): number {
  return blocks.reduce((sum, { id, minutes }) => (own.includes(id) ? sum + minutes : sum), 0);
}

/** The heaviest stretch between two drops, standard minutes a week; days that are holidays are not counted. */
export function peakLoad(calendar: Calendar, blocks: readonly BlockWork[]): number {
  const [drops, holidays] = [dropsOf(calendar), holidaysOf(calendar)];
  const ends = endsOf(calendar);
  return Math.max(0, ...drops.map((drop, index) => {
    const days = daysFrom(drop.day, itemAt(ends, index)).filter((day) => !isHoliday(holidays, day)).length;
    return (7 * dropMinutes(drop, blocks)) / Math.max(1, days);
  }));
} // prettier-ignore

/** The days from one up to, but not with, another. */
export function daysFrom(from: Day, to: Day): Day[] {
  return Array.from({ length: Math.max(0, daysBetween(from, to)) }, (_, index) => plusDays(from, index));
}
