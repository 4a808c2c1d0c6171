import { UNIT_DEFAULTS } from '@/core/length';
import type { Account } from '../accounts';
import { json, type Sql } from '../database';
import { openProject, type Access } from './access';
import { audit } from './audit';
import type { Role } from './permissions';
import { readProject, type Project, type ProjectSettings } from './project';

/** A project in the list of an account. */
export interface ProjectLine {
  readonly id: string;
  readonly name: string;
  readonly shop: string;
  readonly role: Role;
  readonly state: 'in-use' | 'archived' | 'binned';
  readonly createdAt: string;
  /** Made to play with. */
  readonly isSample: boolean;
}

/** Projects of an account, the newest first; those in the bin for their hosts only. */
export async function listProjects(sql: Sql, account: Account): Promise<ProjectLine[]> {
  const lines = await sql<ProjectLine[]>`
    select p.id, p.name, p.shop, m.role, p.created_at as "createdAt", p.is_sample as "isSample",
      case when p.removed_at is not null then 'binned' when p.archived_at is not null then 'archived' else 'in-use' end as state
    from project p join membership m on m.project_id = p.id
    where m.account_id = ${account.id} and (p.removed_at is null or m.role = 'host')
    order by p.created_at desc, p.id`;
  return [...lines];
}

/** Makes a project with the account as its host, who may do anything with it. */
export async function createProject(
  sql: Sql,
  account: Account,
  settings: Partial<ProjectSettings> & { name: string },
): Promise<Access<'own'>> {
  const system = settings.unitSystem ?? 'inch';
  const { pageSize, allowanceMm } = { ...UNIT_DEFAULTS[system], ...settings };
  const [row] = await sql<{ id: string }[]>`
    insert into project (name, shop, unit_system, page_size, allowance_mm) values
      (${settings.name}, ${settings.shop ?? ''}, ${system}, ${pageSize}, ${allowanceMm}) returning id`;
  const id = row?.id ?? '';
  await sql`insert into membership (project_id, account_id, role) values (${id}, ${account.id}, 'host')`;
  const access = await openProject(sql, account, id, 'own');
  await audit(sql, access, 'project-made', { name: settings.name });
  return access;
}

/** Changes a project's settings. */
export async function changeProject(
  sql: Sql,
  access: Access<'edit'>,
  settings: Partial<ProjectSettings>,
): Promise<Project> {
  const { project } = access;
  await sql`
    update project set
      name = coalesce(${settings.name ?? null}, name), shop = coalesce(${settings.shop ?? null}, shop),
      unit_system = coalesce(${settings.unitSystem ?? null}, unit_system),
      page_size = coalesce(${settings.pageSize ?? null}, page_size),
      allowance_mm = coalesce(${settings.allowanceMm ?? null}, allowance_mm),
      spares_percent = coalesce(${settings.sparesPercent ?? null}, spares_percent),
      grid_columns = coalesce(${settings.gridColumns ?? null}, grid_columns),
      sewing = sewing || ${json(sql, settings.sewing ?? {})}
    where id = ${project.id}`;
  await audit(sql, access, 'settings-changed', { before: project, after: settings });
  return readProject(sql, project);
}
