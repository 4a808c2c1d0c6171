import type postgres from 'postgres';
import { isTimeZone } from '@/core/calendar';
import type { RosterRow } from '@/core/formats';
import { audit, type Access } from '../projects';
import { inTransaction, type Sql } from '../database';
import { invalid } from '../errors';
import { notify } from '../live';
import { groupNamed } from './groups';
import { insertMaker, type AddedMaker } from './makers';

/** What a roster did: who came in with which link, and how those who were there stood before. */
export interface TakenRoster {
  readonly added: readonly AddedMaker[];
  readonly before: readonly RosterRow[];
}

interface Known {
  readonly id: string;
  readonly name: string;
  readonly email: string | null;
  readonly timeZone: string | null;
  readonly group: string | null;
  readonly isUnderAge: boolean;
  readonly travels: boolean;
}

/**
 * Takes in a list of makers, all or none: those who are there by name are changed, the others added; groups that are missing are
 * made. What a row does not say stays as it is.
 * @throws ServerError 422 for a time zone that is none
 */
export async function takeRoster(
  sql: postgres.Sql,
  access: Access<'edit'>,
  rows: readonly RosterRow[],
): Promise<TakenRoster> {
  const { project } = access;
  for (const { timeZone } of rows)
    if (timeZone && !isTimeZone(timeZone))
      throw invalid(`“${timeZone}” is no time zone.`, 'Take one like Europe/Lisbon.', 'timeZone');
  return inTransaction(sql, async (step) => {
    const added: AddedMaker[] = [];
    const before: RosterRow[] = [];
    for (const row of rows) {
      const known = await lockKnown(step, project.id, row.name);
      if (known) before.push(asRow(known));
      const maker = known ?? (await insertMaker(step, access, row.name));
      if (!known) added.push(maker as AddedMaker);
      await change(step, access, maker.id, row);
    }
    await audit(step, access, 'roster-read', { added: added.length, changed: before.length });
    await notify(step, project.id, 'makers');
    return { added, before };
  });
}

async function lockKnown(step: Sql, projectId: string, name: string): Promise<Known | undefined> {
  const [known] = await step<Known[]>`
    select m.id, m.name, m.email, m.time_zone as "timeZone", g.name as "group", m.is_under_age as "isUnderAge", m.travels
    from maker m left join maker_group g on g.id = m.group_id and g.removed_at is null
    where m.project_id = ${projectId} and lower(m.name) = lower(${name}) and m.removed_at is null for update of m`;
  return known;
}

const asRow = ({ name, email, timeZone, group, isUnderAge, travels }: Known): RosterRow => ({
  name,
  email: email ?? '',
  timeZone: timeZone ?? '',
  group: group ?? '',
  isUnderAge,
  travels,
});

async function change(step: Sql, access: Access<'edit'>, id: string, row: RosterRow): Promise<void> {
  if (row.group !== undefined) {
    const group = row.group === '' ? null : (await groupNamed(step, access, row.group)).id;
    await step`update maker set group_id = ${group} where id = ${id}`;
  }
  const says = {
    ...(row.email === undefined ? {} : { email: row.email || null }),
    ...(row.timeZone === undefined ? {} : { time_zone: row.timeZone || null }),
    ...(row.isUnderAge === undefined ? {} : { is_under_age: row.isUnderAge }),
    ...(row.travels === undefined ? {} : { travels: row.travels }),
  };
  if (Object.keys(says).length > 0) await step`update maker set ${step(says)} where id = ${id}`;
}
