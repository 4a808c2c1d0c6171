import type postgres from 'postgres';
import type { BagChoice } from '@/core/bags';
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
  /** Their group; null where they are in none. */
  readonly groupId: string | null;
  /** Whether they rest: nobody waits for them or writes to them. */
  readonly isPaused: boolean;
  /** What their page cautions of besides the usual. */
  readonly isUnderAge: boolean;
  readonly travels: boolean;
  /** Ids of blocks in the order in which they sew them; the others come after, as they are handed out. */
  readonly making: readonly string[];
  /** Whether they sew with the left hand: their sheets show it so. */
  readonly isLeftHanded: boolean;
  /** What their own bags are made by. */
  readonly sets: BagChoice['sets'];
  readonly allowanceMm: BagChoice['allowanceMm'];
  readonly cloths: BagChoice['cloths'];
}

/** A maker who came in, with their link, which is not kept and cannot be shown again. */
export interface AddedMaker {
  readonly id: string;
  readonly name: string;
  readonly token: string;
}

/** What a host changes about a maker. */
export type MakerChange = Partial<
  Pick<
    Maker,
    | 'name'
    | 'groupId'
    | 'isPaused'
    | 'isUnderAge'
    | 'travels'
    | 'making'
    | 'isLeftHanded'
    | 'sets'
    | 'allowanceMm'
  >
>;

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

/** Changes what is said of a maker. @throws ServerError 404, 409 where the name is taken */
export async function changeMaker(
  sql: postgres.Sql,
  access: Access<'edit'>,
  makerId: string,
  change: MakerChange,
): Promise<void> {
  const { project } = access;
  const { name, groupId, isPaused, isUnderAge, travels, making, isLeftHanded, sets, allowanceMm } = change;
  await inTransaction(sql, async (step) => {
    const [maker] = await step`
      select 1 from maker where id = ${makerId} and project_id = ${project.id} and removed_at is null for update`;
    const [group] = groupId
      ? await step`select 1 from maker_group where id = ${groupId} and project_id = ${project.id} and removed_at is null`
      : [true];
    if (!maker || !group) throw notFound('This maker or group');
    if (making?.length) {
      const rows =
        await step`select 1 from block where project_id = ${project.id} and id = any(${[...making]})`;
      if (rows.length < new Set(making).size) throw notFound('A block of this order');
    }
    if (name !== undefined) {
      const [other] = await step`
        select 1 from maker where project_id = ${project.id} and lower(name) = lower(${name}) and id <> ${makerId} and removed_at is null`;
      if (other) throw nameTaken(name);
    }
    const says = {
      ...(name === undefined ? {} : { name }),
      ...(groupId === undefined ? {} : { group_id: groupId }),
      ...(isPaused === undefined ? {} : { paused_at: isPaused ? new Date() : null }),
      ...(isUnderAge === undefined ? {} : { is_under_age: isUnderAge }),
      ...(travels === undefined ? {} : { travels }),
      ...(making === undefined ? {} : { making: [...making] }),
      ...(isLeftHanded === undefined ? {} : { is_left_handed: isLeftHanded }),
      ...(sets === undefined ? {} : { sets }),
      ...(allowanceMm === undefined ? {} : { allowance_mm: allowanceMm }),
    };
    if (Object.keys(says).length === 0) return;
    await step`update maker set ${step(says)} where id = ${makerId}`;
    // A name is kept in one place only, so that it can be erased.
    await audit(step, access, 'maker-changed', { maker: makerId, what: Object.keys(says) });
    await notify(step, project.id, 'makers');
  });
}

/** Adds makers and gives each a personal link. */
export async function addMakers(
  sql: postgres.Sql,
  access: Access<'edit'>,
  names: readonly string[],
): Promise<AddedMaker[]> {
  const { project } = access;
  return inTransaction(sql, async (step) => {
    const added = [];
    for (const name of names) added.push(await insertMaker(step, access, name));
    await audit(step, access, 'makers-added', { names });
    await notify(step, project.id, 'makers');
    return added;
  });
}

/** Writes down a new maker with a personal link. @throws ServerError 409 where there is one of this name */
export async function insertMaker(step: Sql, { project }: Access<'edit'>, name: string): Promise<AddedMaker> {
  const token = newToken();
  const [row] = await step<{ id: string }[]>`
    insert into maker (project_id, name, token_hash, link_made_at)
    values (${project.id}, ${name}, ${hashToken(token)}, now())
    on conflict (project_id, lower(name)) where removed_at is null do nothing returning id`;
  if (!row) throw nameTaken(name);
  return { id: row.id, name, token };
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
    await endCardLinks(step, makerId);
    await audit(step, access, wish === 'renew' ? 'link-renewed' : 'link-revoked', {
      maker: makerId,
    });
    await notify(step, project.id, 'makers');
    return token;
  });
}

/** So many printings of one maker’s cards lead to their page; a further one ends the oldest. */
const MOST_CARD_LINKS = 20;

/**
 * Gives makers who have a personal link one more for what is printed now: links are kept as hashes, so those in use cannot be printed.
 * It ends when theirs is renewed or revoked.
 * @returns tokens by maker; none for those without a link
 */
export async function cardLinks(sql: postgres.Sql, access: Access<'edit'>): Promise<ReadonlyMap<string, string>> {
  return inTransaction(sql, async (step) => {
    const makers = await step<{ id: string }[]>`
      select id from maker where project_id = ${access.project.id} and token_hash is not null and removed_at is null
      order by id for update`;
    const tokens = new Map(makers.map(({ id }) => [id, newToken()]));
    for (const [id, token] of tokens) {
      await step`insert into card_link (token_hash, maker_id) values (${hashToken(token)}, ${id})`;
      await step`
        delete from card_link where maker_id = ${id} and token_hash not in (
          select token_hash from card_link where maker_id = ${id} order by made_at desc limit ${MOST_CARD_LINKS})`;
    }
    await audit(step, access, 'cards-printed', { makers: tokens.size });
    return tokens;
  });
} // prettier-ignore

/** Ends what was printed of a maker’s page. */
export async function endCardLinks(step: Sql, makerId: string): Promise<void> {
  await step`delete from card_link where maker_id = ${makerId}`;
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
      where id = ${makerId} and project_id = ${project.id} and erased_at is null returning id`;
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
  const hash = isToken(token) ? hashToken(token) : undefined;
  const [found, [maker]] = hash
    ? await Promise.all([
        openByLink(sql, hash),
        sql<Maker[]>`
          ${selectMakers(sql)} where removed_at is null
            and (token_hash = ${hash} or id = (select maker_id from card_link where token_hash = ${hash}))`,
      ])
    : [undefined, []];
  // Both were read for themselves: a link that was ended between belongs to nobody.
  if (found && maker?.id === found.makerId) return { maker, project: found.project };
  throw new ServerError(404, {
    code: 'no-such-link',
    what: 'This personal link does not work (any more).',
    mend: 'Ask your host for a new one.',
  });
}

function selectMakers(sql: Sql) {
  return sql`
    select id, name, token_hash is not null as "hasLink",
      array(select block_id from skip where maker_id = maker.id order by block_id) as skips,
      (select g.id from maker_group g where g.id = maker.group_id and g.removed_at is null) as "groupId",
      paused_at is not null as "isPaused", is_under_age as "isUnderAge", travels, making,
      is_left_handed as "isLeftHanded", sets, allowance_mm as "allowanceMm", cloths
    from maker`;
}
