import type postgres from 'postgres';
import { EMPTY_CALENDAR, checkCalendar, type Calendar } from '@/core/calendar';
import { inTransaction, json, type Sql } from '../database';
import { conflict } from '../errors';
import { notify } from '../live';
import { audit, blockIds, type Access, type Project } from '../projects';
import { refused } from '../refused';

/** The project's calendar, with the revision to save it under; empty until the host makes one. */
export interface KeptCalendar {
  readonly calendar: Calendar;
  readonly revision: number;
}

/** Reads the calendar; blocks that were taken out have left their drops. */
export async function readKeptCalendar(sql: Sql, project: Project): Promise<KeptCalendar> {
  const [row] = await sql<{ calendar: Calendar | null; revision: number }[]>`
    select calendar, calendar_revision as revision from project where id = ${project.id}`;
  const calendar = checkCalendar({ ...EMPTY_CALENDAR, ...row?.calendar }, await blockIds(sql, project));
  return { calendar, revision: row?.revision ?? 0 };
}

/**
 * Saves the calendar.
 * @throws ServerError 409 where someone else changed it since it was read, 422 where a day or a block cannot be
 */
export async function saveCalendar(
  sql: postgres.Sql,
  access: Access<'edit'>,
  change: { readonly calendar: Calendar; readonly revision: number },
): Promise<{ revision: number }> {
  const { project } = access;
  return inTransaction(sql, async (step) => {
    const [before] = await step<{ calendar: Calendar | null; revision: number }[]>`
      select calendar, calendar_revision as revision from project where id = ${project.id} for update`;
    const known = await blockIds(step, project);
    const calendar = refused(() => checkCalendar(change.calendar, known));
    if (before?.revision !== change.revision)
      throw conflict(
        'Someone changed the calendar meanwhile.',
        'Yours is still here; look at theirs, then save yours again if it still holds.',
        { calendar: before?.calendar ?? EMPTY_CALENDAR, revision: before?.revision ?? 0 },
      );
    await step`
      update project set calendar = ${json(step, calendar)}, calendar_revision = calendar_revision + 1
      where id = ${project.id}`;
    await audit(step, access, 'calendar-changed', { before: before.calendar, after: calendar });
    await notify(step, project.id, 'calendar');
    return { revision: change.revision + 1 };
  });
}
