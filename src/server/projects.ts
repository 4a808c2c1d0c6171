import type { ProjectBasting } from '@/core/block';
import { UNIT_DEFAULTS, type UnitSystem } from '@/core/length';
import type { ChosenMark } from '@/core/shapes';
import type { Account } from './accounts';
import { audit } from './audit';
import type { Sql } from './database';
import { forbidden, notFound } from './errors';
import { isId } from './parse';
import { MAY, type Role, type Wish } from './permissions';

export interface Project {
  readonly id: string;
  readonly name: string;
  readonly shop: string;
  readonly unitSystem: UnitSystem;
  readonly pageSize: 'A4' | 'Letter';
  readonly allowanceMm: number;
  readonly sparesPercent: number;
  readonly gridColumns: number;
  /** Marks that the host chose for look-alike papers. */
  readonly marks: readonly ChosenMark[];
  readonly basting: ProjectBasting;
}

/** What a host may change of a project. */
export type ProjectSettings = Omit<Project, 'id' | 'marks' | 'basting'>;

const COLUMNS = [
  'id',
  'name',
  'shop',
  'unit_system as "unitSystem"',
  'page_size as "pageSize"',
  'allowance_mm as "allowanceMm"',
  'spares_percent as "sparesPercent"',
  'grid_columns as "gridColumns"',
  'marks',
  'basting',
]
  .map((column) => `p.${column}`)
  .join(', ');

/**
 * The project, if the account may do that with it. Projects of others are not found rather than forbidden, so that
 * nothing is told about them.
 */
export async function openProject(
  sql: Sql,
  account: Account,
  projectId: string,
  wish: Wish,
  reach: 'in use' | 'binned too' = 'in use',
): Promise<Project> {
  if (!isId(projectId)) throw notFound('This project');
  const [row] = await sql<(Project & { role: Role })[]>`
    select ${sql.unsafe(COLUMNS)}, m.role from project p join membership m on m.project_id = p.id
    where p.id = ${projectId} and m.account_id = ${account.id}
      ${reach === 'in use' ? sql`and p.removed_at is null` : sql``}`;
  if (!row) throw notFound('This project');
  if (!MAY[row.role].has(wish)) throw forbidden();
  const { role: _role, ...project } = row;
  return project;
}

/** A project without asking who wants it; for makers' pages and jobs that checked already. */
export async function projectById(sql: Sql, projectId: string): Promise<Project> {
  const [row] = await sql<Project[]>`select ${sql.unsafe(COLUMNS)} from project p where p.id = ${projectId}`;
  if (!row) throw notFound('This project');
  return row;
}

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
  const rows = await sql<(Omit<ProjectLine, 'createdAt'> & { createdAt: Date })[]>`
    select p.id, p.name, p.shop, m.role, p.created_at as "createdAt", p.is_sample as "isSample",
      case when p.removed_at is not null then 'binned' when p.archived_at is not null then 'archived' else 'in-use' end as state
    from project p join membership m on m.project_id = p.id
    where m.account_id = ${account.id} and (p.removed_at is null or m.role = 'host')
    order by p.created_at desc, p.id`;
  return rows.map((row) => ({ ...row, createdAt: row.createdAt.toISOString() }));
}

/** Makes a project with the account as its host. */
export async function createProject(
  sql: Sql,
  account: Account,
  settings: Partial<ProjectSettings> & { name: string },
): Promise<Project> {
  const system = settings.unitSystem ?? 'inch';
  const { pageSize, allowanceMm } = { ...UNIT_DEFAULTS[system], ...settings };
  const [row] = await sql<{ id: string }[]>`
    insert into project (name, shop, unit_system, page_size, allowance_mm) values
      (${settings.name}, ${settings.shop ?? ''}, ${system}, ${pageSize}, ${allowanceMm}) returning id`;
  const projectId = row?.id as string;
  await sql`insert into membership (project_id, account_id, role) values (${projectId}, ${account.id}, 'host')`;
  await audit(sql, projectId, account.id, 'project-made', { name: settings.name });
  return projectById(sql, projectId);
}

/** Changes a project's settings. */
export async function changeProject(
  sql: Sql,
  account: Account,
  projectId: string,
  settings: Partial<ProjectSettings>,
): Promise<Project> {
  const before = await openProject(sql, account, projectId, 'edit');
  await sql`
    update project set
      name = coalesce(${settings.name ?? null}, name), shop = coalesce(${settings.shop ?? null}, shop),
      unit_system = coalesce(${settings.unitSystem ?? null}, unit_system),
      page_size = coalesce(${settings.pageSize ?? null}, page_size),
      allowance_mm = coalesce(${settings.allowanceMm ?? null}, allowance_mm),
      spares_percent = coalesce(${settings.sparesPercent ?? null}, spares_percent),
      grid_columns = coalesce(${settings.gridColumns ?? null}, grid_columns)
    where id = ${projectId}`;
  await audit(sql, projectId, account.id, 'settings-changed', { before, after: settings });
  return projectById(sql, projectId);
}
