import {
  daysBetween,
  isSameGroup,
  plusDays,
  type Calendar,
  type CalendarEntry,
  type Day,
} from '@/core/calendar';
import { useSavedDocument } from '@/ui/useSavedDocument';

/** The calendar while it is changed: saved by itself, with undo. */
export function useCalendar(projectId: string, initial: Calendar, revision: number) {
  const own = useSavedDocument({ projectId, name: 'calendar', initial, revision });
  const { present: calendar, change } = own;
  const withEntries = (entries: readonly CalendarEntry[]) => change({ ...calendar, entries });
  return {
    ...own,
    calendar,
    change,
    /** Puts an entry in, or in place of the one that had its id. */
    put: (entry: CalendarEntry) => {
      const isNew = !calendar.entries.some(({ id }) => id === entry.id);
      const kept = calendar.entries.map((one) => (one.id === entry.id ? entry : withoutBlocksOf(one, entry)));
      withEntries(isNew ? [...kept, entry] : kept);
    },
    addAll: (entries: readonly CalendarEntry[]) => withEntries([...calendar.entries, ...entries]),
    remove: (id: string) => withEntries(calendar.entries.filter((entry) => entry.id !== id)),
    /** Moves an entry to another day; a holiday keeps its length. */
    move: (id: string, day: Day) =>
      withEntries(calendar.entries.map((entry) => (entry.id === id ? moved(entry, day) : entry))),
  };
}

export type OwnCalendar = ReturnType<typeof useCalendar>;

function moved(entry: CalendarEntry, day: Day): CalendarEntry {
  if (entry.kind !== 'holiday') return { ...entry, day };
  return { ...entry, day, until: plusDays(day, daysBetween(entry.day, entry.until)) };
}

/** Of one group a block is in one drop: put into another, it leaves the one that it was in. */
function withoutBlocksOf(one: CalendarEntry, entry: CalendarEntry): CalendarEntry {
  if (one.kind !== 'drop' || entry.kind !== 'drop' || !isSameGroup(one, entry)) return one;
  return { ...one, blocks: one.blocks.filter((block) => !entry.blocks.includes(block)) };
}
