import { TZDate } from '@date-fns/tz';
import ical, { ICalEventRepeatingFreq } from 'ical-generator';
import type postgres from 'postgres';
import { forGroup, plusDays, type Calendar, type CalendarEntry, type Day } from '@/core/calendar';
import { hashToken, isToken, newToken } from '../accounts';
import { inTransaction, type Sql } from '../database';
import { ServerError, notFound } from '../errors';
import { audit, openByFeed, type Access, type Project } from '../projects';
import { readKeptCalendar } from './keptCalendar';

/**
 * Gives the project's calendar, or one group’s, a secret address, or a new one: the old one ends.
 * @returns its token, which is not kept. @throws ServerError 404 for a group that is not there
 */
export async function renewFeed(sql: postgres.Sql, access: Access<'edit'>, group?: string): Promise<string> {
  const token = newToken();
  await inTransaction(sql, async (step) => {
    const { id } = access.project;
    const rows =
      group === undefined
        ? await step`update project set feed_hash = ${hashToken(token)} where id = ${id} returning id`
        : await step`
            update maker_group set feed_hash = ${hashToken(token)}
            where id = ${group} and project_id = ${id} and removed_at is null returning id`;
    if (rows.length === 0) throw notFound('This group');
    await audit(step, access, 'feed-renewed', group === undefined ? {} : { group });
  });
  return token;
}

/** The calendar behind a secret address, as iCalendar. @throws ServerError 404 for addresses that open nothing (any more) */
export async function readFeed(sql: Sql, token: string): Promise<string> {
  const opened = isToken(token) ? await openByFeed(sql, hashToken(token)) : undefined;
  if (opened) return projectIcs(sql, opened.project, opened.group);
  throw new ServerError(404, {
    code: 'no-such-link',
    what: 'This calendar address does not work (any more).',
    mend: 'Ask the host for the new one.',
  });
}

/** A project's calendar, or one group’s, as an iCalendar file. */
export async function projectIcs(
  sql: Sql,
  project: Project,
  group?: { readonly id: string; readonly name: string },
): Promise<string> {
  const { calendar: all } = await readKeptCalendar(sql, project);
  const calendar = group ? forGroup(all, group.id) : all;
  const names = new Map(
    (await sql<{ id: string; name: string }[]>`select id, name from block where project_id = ${project.id}`).map(
      ({ id, name }) => [id, name],
    ),
  );
  const name = group ? `${project.name}, ${group.name}` : project.name;
  return writeIcs({ id: project.id, name }, calendar, names);
} // prettier-ignore

/** Drops and holidays take whole days; meetings stand at their wall clock in the project's time zone. */
function writeIcs(project: Pick<Project, 'id' | 'name'>, calendar: Calendar, names: ReadonlyMap<string, string>): string {
  const file = ical({ name: project.name, prodId: { company: 'Kevlo', product: 'Calendar' }, timezone: calendar.timeZone });
  for (const entry of calendar.entries) file.createEvent(eventOf(project, calendar, entry, names));
  return file.toString();
} // prettier-ignore

function eventOf(project: Pick<Project, 'id'>, { timeZone }: Calendar, entry: CalendarEntry, names: ReadonlyMap<string, string>) {
  const { id, title, note = '', day } = entry;
  const common = { id: `${id}@${project.id}`, summary: title, stamp: new Date(0) };
  if (entry.kind === 'meeting')
    return {
      ...common,
      description: note,
      location: entry.place,
      start: wallClock(day, minutesOf(entry.at), timeZone),
      end: wallClock(day, minutesOf(entry.at) + entry.minutes, timeZone),
      timezone: timeZone,
      ...(entry.times > 1 ? { repeating: { freq: ICalEventRepeatingFreq.WEEKLY, interval: entry.everyWeeks, count: entry.times } } : {}),
    };
  const until = entry.kind === 'holiday' ? entry.until : day;
  const blocks = entry.kind === 'drop' ? entry.blocks.flatMap((block) => names.get(block) ?? []).join(', ') : '';
  return { ...common, description: [blocks, note].filter(Boolean).join('\n'), start: wallClock(day, 0, timeZone), end: wallClock(plusDays(until, 1), 0, timeZone), allDay: true };
} // prettier-ignore

/** So many minutes of the clock after the midnight with which a day begins in a time zone: a date that keeps its zone, since the library tells it by the server's otherwise. */
function wallClock(day: Day, minutes: number, timeZone: string): TZDate {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  return new TZDate(year, month - 1, date, 0, minutes, timeZone);
}

function minutesOf(at: string): number {
  const [hour = 0, minute = 0] = at.split(':').map(Number);
  return 60 * hour + minute;
}
