import type postgres from 'postgres';
import type { Account } from './accounts';
import { audit } from './audit';
import { inTransaction, type Sql } from './database';
import { ServerError, notFound } from './errors';
import { notify } from './notify';
import { openProject, type Project } from './projects';
import { hashToken, isToken, newToken } from './tokens';

export interface Maker {
  readonly id: string;
  readonly name: string;
  /** Whether a personal link is in force. */
  readonly hasLink: boolean;
  /** Ids of the blocks that they do not sew. */
  readonly skips: readonly string[];
}

/** Makers of a project by name. */
export function listMakers(sql: Sql, project: Pick<Project, 'id'>): Promise<Maker[]> {
  return sql<Maker[]>`
    select id, name, token_hash is not null as "hasLink",
      array(select block_id from skip where maker_id = maker.id order by block_id) as skips
    from maker
    where project_id = ${project.id} and removed_at is null order by lower(name), id`;
}

/** Says which block a maker sews or does not; what they have sewn of it is kept. */
export async function setSkip(
  sql: postgres.Sql,
  account: Account,
  projectId: string,
  makerId: string,
  { blockId, isSkipped }: { blockId: string; isSkipped: boolean },
): Promise<void> {
  await openProject(sql, account, projectId, 'edit');
  await inTransaction(sql, async (step) => {
    const [both] = await step`
      select 1 from maker m, block b where m.id = ${makerId} and b.id = ${blockId}
        and m.project_id = ${projectId} and b.project_id = ${projectId}`;
    if (!both) throw notFound('This maker or block');
    if (isSkipped)
      await step`insert into skip (maker_id, block_id) values (${makerId}, ${blockId}) on conflict do nothing`;
    else await step`delete from skip where maker_id = ${makerId} and block_id = ${blockId}`;
    await audit(step, projectId, account.id, isSkipped ? 'block-skipped' : 'block-sewn', {
      maker: makerId,
      block: blockId,
    });
    await notify(step, projectId, 'makers');
  });
}

/** Adds makers and gives each a personal link. @returns the tokens, which are not kept and cannot be shown again */
export async function addMakers(
  sql: postgres.Sql,
  account: Account,
  projectId: string,
  names: readonly string[],
): Promise<{ id: string; name: string; token: string }[]> {
  await openProject(sql, account, projectId, 'edit');
  return inTransaction(sql, async (step) => {
    const added = [];
    for (const name of names) {
      const token = newToken();
      const [row] = await step<{ id: string }[]>`
        insert into maker (project_id, name, token_hash, link_made_at)
        values (${projectId}, ${name}, ${hashToken(token)}, now())
        on conflict (project_id, lower(name)) where removed_at is null do nothing returning id`;
      if (!row) {
        throw nameTaken(name);
      }
      added.push({ id: row.id, name, token });
    }
    await audit(step, projectId, account.id, 'makers-added', { names });
    await notify(step, projectId, 'makers');
    return added;
  });
}

function nameTaken(name: string): ServerError {
  return new ServerError(409, {
    code: 'name-taken',
    what: `There is already a maker named ${name}.`,
    mend: 'Add a second name or a letter to tell them apart.',
    where: 'names',
  });
}

/** Gives a maker a new link (the old one stops working) or revokes it. @returns the new token, or undefined */
export async function changeLink(
  sql: postgres.Sql,
  account: Account,
  projectId: string,
  makerId: string,
  wish: 'renew' | 'revoke',
): Promise<string | undefined> {
  await openProject(sql, account, projectId, 'edit');
  const token = wish === 'renew' ? newToken() : undefined;
  return inTransaction(sql, async (step) => {
    const [row] = await step`
      update maker set token_hash = ${token ? hashToken(token) : null}, link_made_at = ${token ? step`now()` : null}
      where id = ${makerId} and project_id = ${projectId} and removed_at is null returning id`;
    if (!row) throw notFound('This maker');
    await audit(step, projectId, account.id, wish === 'renew' ? 'link-renewed' : 'link-revoked', {
      maker: makerId,
    });
    await notify(step, projectId, 'makers');
    return token;
  });
}

/** Takes a maker out of the project, or puts them back; what they recorded is kept. */
export async function setMakerRemoved(
  sql: postgres.Sql,
  account: Account,
  projectId: string,
  makerId: string,
  isRemoved: boolean,
): Promise<void> {
  await openProject(sql, account, projectId, 'edit');
  await inTransaction(sql, async (step) => {
    const [taken] = await step<{ name: string }[]>`
      select own.name from maker own join maker other on other.project_id = own.project_id
        and lower(other.name) = lower(own.name) and other.id <> own.id and other.removed_at is null
      where own.id = ${makerId} and own.project_id = ${projectId}`;
    if (!isRemoved && taken) throw nameTaken(taken.name);
    const [row] = await step`
      update maker set removed_at = ${isRemoved ? step`now()` : null}
      where id = ${makerId} and project_id = ${projectId} returning id`;
    if (!row) throw notFound('This maker');
    await audit(step, projectId, account.id, isRemoved ? 'maker-removed' : 'maker-restored', {
      maker: makerId,
    });
    await notify(step, projectId, 'makers');
  });
}

/** The maker whom a personal link belongs to. @throws ServerError 404 for unknown, revoked and malformed links alike */
export async function makerOfLink(sql: Sql, token: string): Promise<Maker & { projectId: string }> {
  const [row] = isToken(token)
    ? await sql<(Pick<Maker, 'id' | 'name' | 'skips'> & { projectId: string })[]>`
        select m.id, m.name, m.project_id as "projectId",
          array(select block_id from skip where maker_id = m.id) as skips from maker m join project p on p.id = m.project_id
        where m.token_hash = ${hashToken(token)} and m.removed_at is null and p.removed_at is null`
    : [];
  if (!row) {
    throw new ServerError(404, {
      code: 'no-such-link',
      what: 'This personal link does not work (any more).',
      mend: 'Ask your host for a new one.',
    });
  }
  return { ...row, hasLink: true };
}
