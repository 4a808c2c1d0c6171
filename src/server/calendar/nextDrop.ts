import { dayAt, dropsOf, type Drop } from '@/core/calendar';
import type { Sql } from '../database';
import { openLink } from '../makers';
import { readKeptCalendar } from './keptCalendar';

/** The next drop of a maker’s project, by their link; nothing where none is to come. */
export async function nextDropFor(sql: Sql, token: string, now: number): Promise<Drop | undefined> {
  const { project } = await openLink(sql, token);
  const { calendar } = await readKeptCalendar(sql, project);
  const today = dayAt(now, calendar.timeZone);
  return dropsOf(calendar).find(({ day }) => day >= today);
}
