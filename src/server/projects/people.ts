import type { Access } from './access';
import type postgres from 'postgres';
import { createAccount, type Account, hashToken, isToken, newToken } from '../accounts';
import { audit } from './audit';
import { inTransaction, type Sql } from '../database';
import { ServerError, conflict, notFound } from '../errors';
import { notify } from '../live';
import type { Role } from './permissions';
import type { Project } from './project';

/** Someone who works on a project. */
export interface Person {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
}

/** A link that makes whoever opens it a host or helper, once. */
export interface Invitation {
  readonly id: string;
  readonly role: Role;
  readonly expiresAt: string;
}

/** Hosts and helpers of a project, and links that still wait. */
export async function listPeople(
  sql: Sql,
  access: Access<'own'>,
): Promise<{ people: Person[]; invitations: Invitation[] }> {
  const { project } = access;
  const people = await sql<Person[]>`
    select a.id, a.name, a.email, m.role from membership m join account a on a.id = m.account_id
    where m.project_id = ${project.id} order by m.role, lower(a.name), a.id`;
  const invitations = await sql<Invitation[]>`
    select id, role, expires_at as "expiresAt" from invitation
    where project_id = ${project.id} and used_at is null and expires_at > now() order by made_at`;
  return { people: [...people], invitations: [...invitations] };
}

/** Links of a project that wait at the same time. */
const MOST_INVITATIONS = 50;

/** Makes an invitation. @param days how long it is good @returns its token, which is not kept and cannot be shown again */
export async function invite(
  sql: postgres.Sql,
  access: Access<'own'>,
  wish: { readonly role: Role; readonly days: number },
): Promise<string> {
  const { account, project } = access;
  const token = newToken();
  return inTransaction(sql, async (step) => {
    const [waiting] = await step<{ n: number }[]>`
      select count(*)::int as n from invitation
      where project_id = ${project.id} and used_at is null and expires_at > now()`;
    if ((waiting?.n ?? 0) >= MOST_INVITATIONS)
      throw conflict(`${MOST_INVITATIONS} invitations are waiting already.`, 'Take some back first.');
    await step`
      insert into invitation (token_hash, project_id, role, made_by, expires_at)
      values (${hashToken(token)}, ${project.id}, ${wish.role}, ${account.id}, now() + ${wish.days} * interval '1 day')`;
    await audit(step, access, 'invited', { role: wish.role });
    return token;
  });
}

/** What an invitation leads to. @throws ServerError 404 for links that are used, taken back, too old or none */
export async function readInvitation(sql: Sql, token: string) {
  const [row] = isToken(token)
    ? await sql<{ projectId: string; project: string; shop: string; role: Role }[]>`
        select p.id as "projectId", p.name as project, p.shop, i.role from invitation i join project p on p.id = i.project_id
        where i.token_hash = ${hashToken(token)} and i.used_at is null and i.expires_at > now()
          and p.removed_at is null`
    : [];
  if (!row)
    throw new ServerError(404, {
      code: 'no-such-link',
      what: 'This invitation does not work (any more).',
      mend: 'Ask whoever sent it for a new one.',
    });
  return row;
}

/** Accepts an invitation as someone who is signed in, or with a new account. @returns who came in, and to which project */
export function acceptInvitation(
  sql: postgres.Sql,
  token: string,
  who: Account | { readonly email: string; readonly name: string; readonly password: string },
): Promise<{ account: Account; projectId: string }> {
  return inTransaction(sql, async (step) => {
    const { projectId, role } = await readInvitation(step, token);
    const account = 'password' in who ? await createAccount(step, who.email, who.name, who.password) : who;
    const used = await step`
      update invitation set used_at = now(), used_by = ${account.id}
      where token_hash = ${hashToken(token)} and used_at is null returning 1`;
    // Two came at once: one link lets one in.
    if (used.length === 0) await readInvitation(step, token);
    // Who is a host already does not become less by a link.
    await step`
      insert into membership (project_id, account_id, role) values (${projectId}, ${account.id}, ${role})
      on conflict (project_id, account_id) do update
        set role = case when membership.role = 'host' then 'host' else excluded.role end`;
    await audit(step, { account, project: { id: projectId } }, 'joined', { role });
    await notify(step, projectId, 'people');
    return { account, projectId };
  });
}

/** Takes an invitation back before it is used. */
export async function revokeInvitation(
  sql: postgres.Sql,
  access: Access<'own'>,
  invitationId: string,
): Promise<void> {
  const { project } = access;
  const rows = await sql`
    delete from invitation where id = ${invitationId} and project_id = ${project.id} and used_at is null returning 1`;
  if (rows.length === 0) throw notFound('This invitation');
  await audit(sql, access, 'invitation-taken-back', {});
}

/**
 * Makes someone a host or helper, or lets them go. Handing a project over is: the other becomes host, oneself helper or gone.
 * @throws ServerError 409 where the project would be left without a host
 */
export async function setRole(
  sql: postgres.Sql,
  access: Access<'own'>,
  personId: string,
  role: Role | 'gone',
): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    await step`select 1 from project where id = ${project.id} for update`;
    const rows = await step<{ accountId: string; role: Role }[]>`
      select account_id as "accountId", role from membership where project_id = ${project.id}`;
    if (!rows.some(({ accountId }) => accountId === personId)) throw notFound('This person');
    const hosts = rows.filter((one) => one.role === 'host' && one.accountId !== personId);
    if (role !== 'host' && hosts.length === 0)
      throw conflict('A project needs a host.', 'Make someone else a host first.');
    if (role === 'gone')
      await step`delete from membership where project_id = ${project.id} and account_id = ${personId}`;
    else
      await step`update membership set role = ${role} where project_id = ${project.id} and account_id = ${personId}`;
    await audit(step, access, 'role-changed', { person: personId, role });
    await notify(step, project.id, 'people');
  });
}

/** What becomes of a whole project. */
export type ProjectState = 'in-use' | 'archived' | 'binned' | 'deleted';

/**
 * Archives a project, puts it into the bin, takes it out of either, or deletes it for good: that only from the bin.
 * @throws ServerError 409 for deleting what is not in the bin
 */
export async function setProjectState(
  sql: postgres.Sql,
  access: Access<'own'>,
  state: ProjectState,
): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    const [before] = await step<{ isBinned: boolean }[]>`
      select removed_at is not null as "isBinned" from project where id = ${project.id} for update`;
    if (state === 'deleted') {
      if (!before?.isBinned)
        throw conflict('Only what lies in the bin can be deleted.', 'Put it into the bin first.');
      await step`delete from project where id = ${project.id}`;
      return;
    }
    await step`
      update project set archived_at = ${state === 'archived' ? step`now()` : null},
        removed_at = ${state === 'binned' ? step`now()` : null}
      where id = ${project.id}`;
    await audit(step, access, `project-${state}`, {});
    await notify(step, project.id, 'people');
  });
}

/** What was taken out of a project and can be put back. */
export interface BinLine {
  readonly kind: 'block' | 'maker';
  readonly id: string;
  readonly name: string;
  readonly removedAt: string;
}

/** The bin of a project, what was taken out last first. */
export async function listBin(sql: Sql, access: Access<'edit'>): Promise<BinLine[]> {
  const { project } = access;
  const lines = await sql<BinLine[]>`
    select 'block' as kind, id, name, removed_at as "removedAt" from block
    where project_id = ${project.id} and removed_at is not null
    union all
    select 'maker', id, name, removed_at from maker
      where project_id = ${project.id} and removed_at is not null and erased_at is null
    order by "removedAt" desc limit 500`;
  return [...lines];
}

/** Hosts and helpers of a project by name, for whoever works with them. */
export async function listTeam(sql: Sql, project: Project): Promise<Pick<Person, 'id' | 'name'>[]> {
  const rows = await sql<Pick<Person, 'id' | 'name'>[]>`
    select a.id, a.name from membership m join account a on a.id = m.account_id
    where m.project_id = ${project.id} order by lower(a.name), a.id`;
  return [...rows];
}
