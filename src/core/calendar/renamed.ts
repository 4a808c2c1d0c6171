import type { Calendar, CalendarEntry } from './calendar';

/**
 * A calendar whose blocks and groups are called otherwise: by their names in a file, by their ids in a project. Blocks that have no
 * other name are left out, and so are dates of groups that have none.
 */
export function renamed(
  calendar: Calendar,
  blockOf: (block: string) => string | undefined,
  groupOf: (group: string) => string | undefined,
): Calendar {
  const entries = calendar.entries.flatMap((entry): CalendarEntry[] => {
    const group = entry.group === undefined ? undefined : groupOf(entry.group);
    if (entry.group !== undefined && group === undefined) return [];
    const own = group === undefined ? entry : { ...entry, group };
    return [
      own.kind === 'drop' ? { ...own, blocks: own.blocks.flatMap((block) => blockOf(block) ?? []) } : own,
    ];
  });
  const { together } = calendar;
  const sets = together?.map((set) => set.flatMap((block) => blockOf(block) ?? []));
  return { ...calendar, entries, ...(sets ? { together: sets } : {}) };
}
