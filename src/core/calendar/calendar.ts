import { InvalidInputError } from '../errors';
import { daysBetween, isDay, type Day } from './days';

interface Entry {
  readonly id: string;
  readonly day: Day;
  readonly title: string;
  /** What is taught, what to bring, what to say. */
  readonly note?: string;
  /** Id of the group that it is for; nothing where it is for all. */
  readonly group?: string;
}

/** Bags that are handed out on one day. */
export interface Drop extends Entry {
  readonly kind: 'drop';
  /** Ids of the blocks whose bags they are. */
  readonly blocks: readonly string[];
  /** Whether levelling leaves its day alone. */
  readonly isFixed: boolean;
}

/** People sew together; it may come again every so many weeks. */
export interface Meeting extends Entry {
  readonly kind: 'meeting';
  /** Wall clock of the project's time zone, `18:30`. */
  readonly at: string;
  readonly minutes: number;
  readonly place: string;
  readonly everyWeeks: number;
  /** How often in all. */
  readonly times: number;
}

/** Days on which nobody is expected to sew, first and last included. */
export interface Holiday extends Entry {
  readonly kind: 'holiday';
  readonly until: Day;
}

export type CalendarEntry = Drop | Meeting | Holiday;

/** When a project's bags are handed out and people meet, and the figures from which other dates follow. */
export interface Calendar {
  readonly entries: readonly CalendarEntry[];
  /** The day by which the last drop is to be sewn; where none is said it has as long as the others have in the mean. */
  readonly endsOn?: Day;
  /** An IANA name, `Europe/Lisbon`. */
  readonly timeZone: string;
  /** What one maker is expected to sew in a week. */
  readonly hoursPerWeek: number;
  /** Days from an order until the cloth is there. */
  readonly leadDays: number;
  /** How long an evening of packing is, minutes. */
  readonly eveningMinutes: number;
  /** Suppliers who take another time than {@link leadDays}. */
  readonly suppliers?: readonly Supplier[];
  /** Sets of block ids that levelling leaves in one drop. */
  readonly together?: readonly (readonly string[])[];
  /** Whether levelling may move a drop to another day of the week. */
  readonly isAnyWeekday?: boolean;
  /** By the work (a basting method, or the kind of a step): how many times the standard minutes this project reckons with. */
  readonly standards?: Readonly<Record<string, number>>;
}

/** Whom something is ordered from, and the days until it is there. */
export interface Supplier {
  readonly name: string;
  readonly leadDays: number;
}

export const EMPTY_CALENDAR: Calendar = {
  entries: [],
  timeZone: 'UTC',
  hoursPerWeek: 3,
  leadDays: 10,
  eveningMinutes: 120,
};

/** How far the figures go; forms and the server hold to them alike. */
export const CALENDAR_LIMITS = {
  entries: 400,
  title: 120,
  note: 2000,
  hoursPerWeek: { least: 0.25, most: 80 },
  leadDays: { least: 0, most: 365 },
  eveningMinutes: { least: 15, most: 720 },
  minutes: { least: 5, most: 1440 },
  everyWeeks: { least: 1, most: 52 },
  times: { least: 1, most: 104 },
  suppliers: 40,
  standard: { least: 0.2, most: 5 },
  holidayDays: 370,
} as const;

/**
 * What a form alone cannot see: days that do not exist, holidays that end before they begin, a block in two drops.
 * @param known ids of the project's blocks; others are left out
 * @throws InvalidInputError `calendar`, with the entry's id as its place
 */
export function checkCalendar(calendar: Calendar, known: ReadonlySet<string>): Calendar {
  if (!isTimeZone(calendar.timeZone))
    refuse('timeZone', `“${calendar.timeZone}” is no time zone.`, 'Take one from the list, like Europe/Lisbon.');
  const names = (calendar.suppliers ?? []).map(({ name }) => name.toLowerCase());
  const twice = names.find((name, index) => names.indexOf(name) < index);
  if (twice !== undefined) refuse('suppliers', `“${twice}” is there twice among the suppliers.`, 'Take one of them out.');
  if (calendar.endsOn !== undefined) checkDay('endsOn', calendar.endsOn);
  const seen = new Set<string>();
  const drops: Drop[] = [];
  const entries = calendar.entries.map((entry): CalendarEntry => {
    if (seen.has(entry.id)) refuse(entry.id, `“${entry.title}” is there twice.`, 'Take one of them out.');
    seen.add(entry.id);
    checkDay(entry.id, entry.day);
    if (entry.kind === 'holiday') checkHoliday(entry);
    if (entry.kind !== 'drop') return entry;
    const blocks = entry.blocks.filter((block) => known.has(block));
    for (const block of blocks) {
      const other = drops.find((drop) => drop.blocks.includes(block) && isSameGroup(drop, entry));
      if (other !== undefined)
        refuse(entry.id, `A block is in “${other.title}” and in “${entry.title}”.`, 'Take it out of one of them.');
    }
    drops.push(entry);
    return { ...entry, blocks };
  });
  const { together, ...rest } = calendar;
  const sets = setsOf(together ?? [], known);
  return { ...rest, entries, ...(sets.length > 0 ? { together: sets } : {}) };
} // prettier-ignore

/** Sets of two and more known blocks; those that share a block are one. */
function setsOf(together: readonly (readonly string[])[], known: ReadonlySet<string>): string[][] {
  const sets: string[][] = [];
  for (const one of together) {
    const own = new Set(one.filter((block) => known.has(block)));
    for (const other of sets.filter((set) => set.some((block) => own.has(block)))) {
      for (const block of other) own.add(block);
      sets.splice(sets.indexOf(other), 1);
    }
    sets.push([...own]);
  }
  return sets.filter((set) => set.length > 1);
}

function checkHoliday({ id, day, until }: Holiday): void {
  checkDay(id, until);
  if (daysBetween(day, until) < 0) refuse(id, 'It ends before it begins.', 'Exchange the two days.');
  if (daysBetween(day, until) >= CALENDAR_LIMITS.holidayDays)
    refuse(id, 'A holiday of more than a year.', 'Look at its last day.');
}

function checkDay(id: string, day: Day): void {
  if (!isDay(day)) refuse(id, `There is no day ${day}.`, 'Choose a day of the calendar.');
}

function refuse(name: string, what: string, mend: string): never {
  throw new InvalidInputError('calendar', what, mend, { name });
}

/** Whether the platform knows a time zone by this name. */
export function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return name !== '';
  } catch {
    return false;
  }
}

/** Whether two entries concern the same makers: what is for all concerns every group. */
export const isSameGroup = (a: Pick<CalendarEntry, 'group'>, b: Pick<CalendarEntry, 'group'>): boolean =>
  a.group === undefined || b.group === undefined || a.group === b.group;

/** The calendar as one group has it: what is for all, and what is theirs. @param group null for makers in no group */
export function forGroup(calendar: Calendar, group: string | null): Calendar {
  const entries = calendar.entries.filter((entry) => entry.group === undefined || entry.group === group);
  return { ...calendar, entries };
}

/** What was made of one group’s part of a calendar, put back into the whole: its figures, and its entries by their ids. */
export function withEntriesOf(calendar: Calendar, other: Calendar): Calendar {
  const changed = new Map(other.entries.map((entry) => [entry.id, entry]));
  return { ...other, entries: calendar.entries.map((entry) => changed.get(entry.id) ?? entry) };
}

/** A step’s minutes as the project reckons with them: the standard, or what was learnt of it. */
export function ownMinutes(
  { work, minutes }: { readonly work: string; readonly minutes: number },
  standards: Calendar['standards'] = {},
): number {
  return minutes * (standards[work] ?? 1);
}

export const dropsOf = ({ entries }: Calendar): readonly Drop[] =>
  entries.filter((entry): entry is Drop => entry.kind === 'drop').sort((a, b) => (a.day < b.day ? -1 : 1));

export const holidaysOf = ({ entries }: Calendar): readonly Holiday[] =>
  entries.filter((entry): entry is Holiday => entry.kind === 'holiday');

/** Whether nobody is expected to sew on a day. */
export function isHoliday(holidays: readonly Holiday[], day: Day): boolean {
  return holidays.some((holiday) => holiday.day <= day && day <= holiday.until);
}
