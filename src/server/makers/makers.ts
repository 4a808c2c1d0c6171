import type postgres from 'postgres';
import { hashToken, isToken, newToken } from '../accounts';
import { audit, type Project, type Access, openByLink } from '../projects';
import { inTransaction, type Sql } from '../database';
import { ServerError, notFound } from '../errors';
import { notify } from '../live';

export interface Maker {
  readonly id: string;
  readonly name: string;
  /** Whether a personal link is in force. */
  readonly hasLink: boolean;
  /** Ids of the blocks that they do not sew. */
  readonly skips: readonly string[];
}

/** Makers of a project by name. */
export function listMakers(sql: Sql, project: Project): Promise<Maker[]> {
  return sql<Maker[]>`
    ${selectMakers(sql)} where project_id = ${project.id} and removed_at is null order by lower(name), id`;
}

/** Says which block a maker sews or does not; what they have sewn of it is kept. */
export async function setSkip(
  sql: postgres.Sql,
  access: Access<'edit'>,
  makerId: string,
  { blockId, isSkipped }: { blockId: string; isSkipped: boolean },
): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    const [both] = await step`
      select 1 from maker m, block b where m.id = ${makerId} and b.id = ${blockId}
        and m.project_id = ${project.id} and b.project_id = ${project.id}`;
    if (!both) throw notFound('This maker or block');
    if (isSkipped)
      await step`insert into skip (maker_id, block_id) values (${makerId}, ${blockId}) on conflict do nothing`;
    else await step`delete from skip where maker_id = ${makerId} and block_id = ${blockId}`;
    await audit(step, access, isSkipped ? 'block-skipped' : 'block-sewn', {
      maker: makerId,
      block: blockId,
    });
    await notify(step, project.id, 'makers');
  });
}

/** Adds makers and gives each a personal link. @returns the tokens, which are not kept and cannot be shown again */
export async function addMakers(
  sql: postgres.Sql,
  access: Access<'edit'>,
  names: readonly string[],
): Promise<{ id: string; name: string; token: string }[]> {
  const { project } = access;
  return inTransaction(sql, async (step) => {
    const added = [];
    for (const name of names) {
      const token = newToken();
      const [row] = await step<{ id: string }[]>`
        insert into maker (project_id, name, token_hash, link_made_at)
        values (${project.id}, ${name}, ${hashToken(token)}, now())
        on conflict (project_id, lower(name)) where removed_at is null do nothing returning id`;
      if (!row) {
        throw nameTaken(name);
      }
      added.push({ id: row.id, name, token });
    }
    await audit(step, access, 'makers-added', { names });
    await notify(step, project.id, 'makers');
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
  access: Access<'edit'>,
  makerId: string,
  wish: 'renew' | 'revoke',
): Promise<string | undefined> {
  const { project } = access;
  const token = wish === 'renew' ? newToken() : undefined;
  return inTransaction(sql, async (step) => {
    const [row] = await step`
      update maker set token_hash = ${token ? hashToken(token) : null}, link_made_at = ${token ? step`now()` : null}
      where id = ${makerId} and project_id = ${project.id} and removed_at is null returning id`;
    if (!row) throw notFound('This maker');
    await audit(step, access, wish === 'renew' ? 'link-renewed' : 'link-revoked', {
      maker: makerId,
    });
    await notify(step, project.id, 'makers');
    return token;
  });
}

/** Takes a maker out of the project, or puts them back; what they recorded is kept. */
export async function setMakerRemoved(
  sql: postgres.Sql,
  access: Access<'edit'>,
  makerId: string,
  isRemoved: boolean,
): Promise<void> {
  const { project } = access;
  await inTransaction(sql, async (step) => {
    const [taken] = await step<{ name: string }[]>`
      select own.name from maker own join maker other on other.project_id = own.project_id
        and lower(other.name) = lower(own.name) and other.id <> own.id and other.removed_at is null
      where own.id = ${makerId} and own.project_id = ${project.id}`;
    if (!isRemoved && taken) throw nameTaken(taken.name);
    const [row] = await step`
      update maker set removed_at = ${isRemoved ? step`now()` : null}
      where id = ${makerId} and project_id = ${project.id} returning id`;
    if (!row) throw notFound('This maker');
    await audit(step, access, isRemoved ? 'maker-removed' : 'maker-restored', {
      maker: makerId,
    });
    await notify(step, project.id, 'makers');
  });
}

/** A maker who came by their personal link, and the project that it leads to. */
export interface LinkAccess {
  readonly maker: Maker;
  readonly project: Project;
}

/** Opens a personal link. @throws ServerError 404 for unknown, revoked and malformed links alike */
export async function openLink(sql: Sql, token: string): Promise<LinkAccess> {
  const found = isToken(token) ? await openByLink(sql, hashToken(token)) : undefined;
  const [maker] = found
    ? await sql<
        Maker[]
      >`${selectMakers(sql)} where project_id = ${found.project.id} and id = ${found.makerId}`
    : [];
  if (found && maker) return { maker, project: found.project };
  throw new ServerError(404, {
    code: 'no-such-link',
    what: 'This personal link does not work (any more).',
    mend: 'Ask your host for a new one.',
  });
}

function selectMakers(sql: Sql) {
  return sql`
    select id, name, token_hash is not null as "hasLink",
      array(select block_id from skip where maker_id = maker.id order by block_id) as skips
    from maker`;
}
