import type { Account } from '../accounts';
import type { Sql } from '../database';
import { forbidden, notFound } from '../errors';
import { isId } from '../parse';
import { MAY, type Role, type Wish } from './permissions';
import { PROJECT_COLUMNS, type Project } from './project';

declare const may: unique symbol;

/** What was found to be allowed, told apart for the compiler alone. What may be edited may also be read and packed. */
interface MayRead {
  readonly [may]: { readonly read: true };
}
interface MayPack extends MayRead {
  readonly [may]: { readonly read: true; readonly pack: true };
}
interface MayEdit extends MayPack {
  readonly [may]: { readonly read: true; readonly pack: true; readonly edit: true };
}
interface MayOwn extends MayEdit {
  readonly [may]: { readonly read: true; readonly pack: true; readonly edit: true; readonly own: true };
}

interface Opened {
  readonly account: Account;
  readonly role: Role;
  readonly project: Project;
}

/**
 * A project that someone may do something with: the only key to what changes it. Only {@link openProject} makes one, so
 * that a change which nobody checked does not compile.
 */
export type Access<W extends Wish> = Opened &
  { readonly read: MayRead; readonly pack: MayPack; readonly edit: MayEdit; readonly own: MayOwn }[W];

/**
 * Opens a project for an account that may do that with it. Projects of others are not found rather than forbidden, so that
 * nothing is told about them.
 * @throws ServerError 404 for what is not there or not theirs, 403 for what their role may not do
 */
export async function openProject<W extends Wish>(
  sql: Sql,
  account: Account,
  projectId: string,
  wish: W,
  reach: 'in use' | 'binned too' = 'in use',
): Promise<Access<W>> {
  if (!isId(projectId)) throw notFound('This project');
  const [row] = await sql<(Project & { role: Role })[]>`
    select ${sql.unsafe(PROJECT_COLUMNS)}, m.role from project p join membership m on m.project_id = p.id
    where p.id = ${projectId} and m.account_id = ${account.id}
      ${reach === 'in use' ? sql`and p.removed_at is null` : sql``}`;
  if (!row) throw notFound('This project');
  const { role, ...project } = row;
  if (!MAY[role].has(wish)) throw forbidden();
  return { account, role, project } as Access<W>;
}

/** The project whose calendar a secret address opens; undefined for unknown and replaced ones. */
export async function openByFeed(
  sql: Sql,
  tokenHash: Buffer,
): Promise<
  { readonly project: Project; readonly group?: { readonly id: string; readonly name: string } } | undefined
> {
  const [row] = await sql<(Project & { groupId: string | null; groupName: string | null })[]>`
    select ${sql.unsafe(PROJECT_COLUMNS)}, g.id as "groupId", g.name as "groupName" from project p
      left join maker_group g on g.project_id = p.id and g.removed_at is null and g.feed_hash = ${tokenHash}
    where (p.feed_hash = ${tokenHash} or g.id is not null) and p.removed_at is null`;
  if (!row) return undefined;
  const { groupId, groupName, ...project } = row;
  return { project, ...(groupId === null ? {} : { group: { id: groupId, name: groupName ?? '' } }) };
}

/** The project that a maker's personal link, or one printed on a card, leads to; undefined for unknown and revoked links. */
export async function openByLink(
  sql: Sql,
  tokenHash: Buffer,
): Promise<{ readonly makerId: string; readonly project: Project } | undefined> {
  const [row] = await sql<(Project & { makerId: string })[]>`
    select ${sql.unsafe(PROJECT_COLUMNS)}, m.id as "makerId" from project p join maker m on m.project_id = p.id
    where (m.token_hash = ${tokenHash} or m.id = (select maker_id from card_link where token_hash = ${tokenHash}))
      and m.removed_at is null and p.removed_at is null`;
  if (!row) return undefined;
  const { makerId, ...project } = row;
  return { makerId, project };
}
