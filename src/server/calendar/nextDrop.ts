import { dayAt, dropsOf, forGroup, type Drop } from '@/core/calendar';
import type { Sql } from '../database';
import { openLink } from '../makers';
import { readKeptCalendar } from './keptCalendar';

/** The next drop of a maker and their group, by their link; nothing where none is to come. */
export async function nextDropFor(sql: Sql, token: string, now: number): Promise<Drop | undefined> {
  const { project, maker } = await openLink(sql, token);
  const { calendar } = await readKeptCalendar(sql, project);
  const today = dayAt(now, calendar.timeZone);
  return dropsOf(forGroup(calendar, maker.groupId)).find(({ day }) => day >= today);
}
