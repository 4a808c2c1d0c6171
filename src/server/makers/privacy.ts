import type postgres from 'postgres';
import { audit, type Access } from '../projects';
import { inTransaction } from '../database';
import { notFound } from '../errors';
import { endCardLinks } from './makers';
import { notify } from '../live';

/** Name under which the entries of someone who was erased go on to count. */
const ERASED = 'erased';

/** All that is known of one maker, to be handed to them: who they are, what they ticked, what they asked and what they were written. @throws ServerError 404 */
export async function readPerson(sql: postgres.Sql, access: Access<'edit'>, makerId: string) {
  const [person] = await sql`
    select m.name, m.email, m.time_zone as "timeZone", m.wants_mail as "wantsMail", g.name as "group",
      m.is_under_age as "isUnderAge", m.travels, m.is_left_handed as "isLeftHanded", m.sets,
      m.allowance_mm as "allowanceMm", m.cloths, m.created_at as "since"
    from maker m left join maker_group g on g.id = m.group_id
    where m.id = ${makerId} and m.project_id = ${access.project.id} and m.erased_at is null`;
  if (!person) throw notFound('This maker');
  const [ticks, troubles, letters, bags] = await Promise.all([
    sql`select b.name as block, e.step_id as step, e.kind, e.at, e.minutes from progress_event e join block b on b.id = e.block_id
      where e.maker_id = ${makerId} order by e.id`,
    sql`select b.name as block, t.step_id as step, t.symptom, t.state, t.at,
        array(select json_build_object('by', case when w.is_makers then 'maker' else 'host' end, 'text', w.text, 'at', w.at)
          from trouble_word w where w.trouble_id = t.id order by w.number) as words
      from trouble t join block b on b.id = t.block_id where t.maker_id = ${makerId} order by t.at`,
    sql`select subject, body, state, made_at as "at" from message where maker_id = ${makerId} order by made_at`,
    sql`select b.name as block, k.status from kit k join block b on b.id = k.block_id where k.maker_id = ${makerId} order by b.place`,
  ]);
  return { format: 'kevlo.person/1' as const, project: access.project.name, person, ticks, troubles, letters, bags };
} // prettier-ignore

/**
 * Erases one maker: name, address, link, letters, words and pictures go, and their name from the list of what was done. Their ticks
 * stay as nobody’s, so that sums of the group stay true. It cannot be taken back.
 * @throws ServerError 404
 */
export async function erasePerson(sql: postgres.Sql, access: Access<'edit'>, makerId: string): Promise<void> {
  await inTransaction(sql, async (step) => {
    const [person] = await step<{ name: string }[]>`
      select name from maker where id = ${makerId} and project_id = ${access.project.id} and erased_at is null for update`;
    if (!person) throw notFound('This maker');
    await step`
      update maker set name = ${ERASED}, email = null, time_zone = null, token_hash = null, group_id = null,
        is_under_age = false, travels = false, is_left_handed = false, removed_at = coalesce(removed_at, now()), erased_at = now()
      where id = ${makerId}`;
    await endCardLinks(step, makerId);
    await step`delete from message where maker_id = ${makerId}`;
    await step`delete from trouble where maker_id = ${makerId}`;
    await step`delete from finished_photo where maker_id = ${makerId}`;
    await step`
      update audit set details = jsonb_set(details, '{names}', (details->'names') - ${person.name}::text)
      where project_id = ${access.project.id} and what = 'makers-added' and details->'names' ? ${person.name}`;
    await audit(step, access, 'maker-erased', { maker: makerId });
    await notify(step, access.project.id, 'makers');
  });
}
