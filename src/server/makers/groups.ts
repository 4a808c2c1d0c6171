import type postgres from 'postgres';
import { audit, type Access, type Project } from '../projects';
import { inTransaction, type Sql } from '../database';
import { ServerError, notFound } from '../errors';
import { notify } from '../live';

/** A class that sews the project at its own times. */
export interface MakerGroup {
  readonly id: string;
  readonly name: string;
}

/** Groups of a project by name. */
export async function listGroups(sql: Sql, project: Project): Promise<MakerGroup[]> {
  const rows = await sql<MakerGroup[]>`
    select id, name from maker_group where project_id = ${project.id} and removed_at is null order by lower(name), id`;
  return [...rows];
}

/** Makes a group. @throws ServerError 409 where there is one of this name */
export async function addGroup(sql: postgres.Sql, access: Access<'edit'>, name: string): Promise<MakerGroup> {
  return inTransaction(sql, async (step) => {
    const group = await groupNamed(step, access, name);
    if (!group.isNew) throw groupTaken(name);
    await notify(step, access.project.id, 'makers');
    return { id: group.id, name: group.name };
  });
}

/** The group of a name, made where there is none. */
export async function groupNamed(
  step: Sql,
  access: Access<'edit'>,
  name: string,
): Promise<MakerGroup & { readonly isNew: boolean }> {
  const { id } = access.project;
  const [there] = await step<MakerGroup[]>`
    select id, name from maker_group
    where project_id = ${id} and lower(name) = lower(${name}) and removed_at is null`;
  if (there) return { ...there, isNew: false };
  const [made] = await step<MakerGroup[]>`
    insert into maker_group (project_id, name) values (${id}, ${name})
    on conflict (project_id, lower(name)) where removed_at is null do nothing returning id, name`;
  if (!made) throw groupTaken(name);
  await audit(step, access, 'group-added', { name });
  return { ...made, isNew: true };
}

/** Gives a group another name, takes it out or puts it back; its makers stay. @throws ServerError 404, 409 */
export async function changeGroup(
  sql: postgres.Sql,
  access: Access<'edit'>,
  id: string,
  change: { readonly name: string } | { readonly isRemoved: boolean },
): Promise<void> {
  await inTransaction(sql, async (step) => {
    const [group] = await step<{ name: string }[]>`
      select name from maker_group where id = ${id} and project_id = ${access.project.id} for update`;
    if (!group) throw notFound('This group');
    const name = 'name' in change ? change.name : group.name;
    const isRemoved = 'isRemoved' in change && change.isRemoved;
    const [other] = await step`
      select 1 from maker_group where project_id = ${access.project.id} and lower(name) = lower(${name})
        and id <> ${id} and removed_at is null`;
    if (other && !isRemoved) throw groupTaken(name);
    await step`
      update maker_group set name = ${name}, removed_at = ${isRemoved ? step`now()` : null} where id = ${id}`;
    await audit(step, access, 'group-changed', { group: id, ...change });
    await notify(step, access.project.id, 'makers');
  });
}

function groupTaken(name: string): ServerError {
  return new ServerError(409, {
    code: 'name-taken',
    what: `There is already a group named ${name}.`,
    mend: 'Give it another name.',
    where: 'name',
  });
}
