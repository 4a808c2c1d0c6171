import type postgres from 'postgres';
import { isTimeZone } from '@/core/calendar';
import { audit, type Access, type Project } from '../projects';
import { inTransaction, type Sql } from '../database';
import { invalid, notFound } from '../errors';
import { notify } from '../live';

/** Where a maker may be written to. */
export interface Contact {
  readonly makerId: string;
  readonly name: string;
  readonly email: string | null;
  /** An IANA name; null where it is the project’s. */
  readonly timeZone: string | null;
  /** Whether they have not switched reminders off. */
  readonly wantsMail: boolean;
}

/** Makers of a project by name, with where they may be written to; for hosts alone. */
export function listContacts(sql: Sql, project: Project): Promise<Contact[]> {
  return sql<Contact[]>`
    select id as "makerId", name, email, time_zone as "timeZone", wants_mail as "wantsMail" from maker
    where project_id = ${project.id} and removed_at is null order by lower(name), id`;
}

/** Writes down where a maker may be written to, or forgets it. Only the maker switches reminders on again. @throws ServerError 404, 422 */
export async function setContact(
  sql: postgres.Sql,
  access: Access<'edit'>,
  makerId: string,
  { email, timeZone }: Pick<Contact, 'email' | 'timeZone'>,
): Promise<void> {
  if (timeZone !== null && !isTimeZone(timeZone))
    throw invalid(`“${timeZone}” is no time zone.`, 'Take one like Europe/Lisbon.', 'timeZone');
  await inTransaction(sql, async (step) => {
    const [row] = await step`
      update maker set email = ${email}, time_zone = ${timeZone}
      where id = ${makerId} and project_id = ${access.project.id} and removed_at is null returning id`;
    if (!row) throw notFound('This maker');
    // The address itself is kept in one place only.
    await audit(step, access, email === null ? 'contact-forgotten' : 'contact-changed', { maker: makerId });
    await notify(step, access.project.id, 'reminders');
  });
}
