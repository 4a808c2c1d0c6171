import ICAL from 'ical.js';
import { daysBetween, isDay, plusDays, type Day, type Holiday } from '@/core/calendar';
import { InvalidInputError } from '@/core/errors';

/** A holiday that a file names, before the host takes it. */
export type FoundHoliday = Pick<Holiday, 'day' | 'until' | 'title'>;

const MOST_EVENTS = 5000;
/** Repetitions that are looked at in one file, however often its events come again. */
const MOST_TIMES = 50_000;
const MOST_FOUND = 300;

/**
 * Whole days of an iCalendar file between two days, by day. Repetitions are followed no further than the last day.
 * @throws InvalidInputError `calendar-file` for what is no such file, and for more than can be shown
 * Cost: up to a second or two for a file that is made to be slow.
 */
export function readHolidays(text: string, from: Day, to: Day): FoundHoliday[] {
  const events = eventsOf(text);
  if (events.length > MOST_EVENTS)
    throw unreadable(`${events.length} events are more than ${MOST_EVENTS}.`, 'Export the holidays alone.');
  const budget = { times: MOST_TIMES };
  const found = events.flatMap((event) => timesOf(event, from, to, budget));
  if (found.length > MOST_FOUND)
    throw unreadable(`${found.length} holidays between ${from} and ${to} are more than ${MOST_FOUND}.`, 'Export the holidays alone.'); // prettier-ignore
  return found.sort((a, b) => (a.day < b.day ? -1 : 1));
}

function eventsOf(text: string): ICAL.Event[] {
  try {
    const root = new ICAL.Component(ICAL.parse(text) as unknown[]);
    return root.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
  } catch (error) {
    const where = error instanceof Error ? ` (${error.message.split('\n')[0] ?? ''})` : '';
    throw unreadable(`This is no iCalendar file that can be read${where}.`, 'Export it again as .ics.');
  }
}

function timesOf(event: ICAL.Event, from: Day, to: Day, budget: { times: number }): FoundHoliday[] {
  const first = event.startDate as ICAL.Time | undefined;
  if (!first?.isDate) return [];
  const title = (event.summary ?? '').trim().slice(0, 120) || 'Holiday';
  const days = Math.max(1, daysOf(event, first));
  const found: FoundHoliday[] = [];
  const times = event.iterator();
  while (budget.times-- > 0) {
    const day = dayAfter(times);
    if (day === undefined || day > to) break;
    const until = plusDays(day, days - 1);
    if (until >= from) found.push({ day, until, title });
  }
  return found;
}

/** The next day of a repetition; none where it ends, or goes round in circles. */
function dayAfter(times: { next: () => ICAL.Time | null | undefined }): Day | undefined {
  try {
    const next = times.next();
    const day = next ? dayOf(next) : '';
    return isDay(day) ? day : undefined;
  } catch {
    return undefined;
  }
}

function daysOf(event: ICAL.Event, first: ICAL.Time): number {
  const end = event.endDate as ICAL.Time | undefined;
  const [from, to] = [dayOf(first), end ? dayOf(end) : ''];
  return isDay(from) && isDay(to) ? Math.min(370, daysBetween(from, to)) : 1;
}

const dayOf = ({ year, month, day }: ICAL.Time): Day => `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`; // prettier-ignore

const unreadable = (what: string, mend: string) =>
  new InvalidInputError('calendar-file', what, mend, { name: 'file' });
