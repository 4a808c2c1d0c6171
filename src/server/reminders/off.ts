import type postgres from 'postgres';
import { hashToken, isToken } from '../accounts';
import { inTransaction, type Sql } from '../database';
import { ServerError } from '../errors';
import { notify } from '../live';

/** Whose reminders a link switches off. */
export interface OffLink {
  readonly maker: string;
  readonly project: string;
  readonly wantsMail: boolean;
}

/** @throws ServerError 404 for links that lead to nobody */
export async function readOffLink(sql: Sql, token: string): Promise<OffLink> {
  const rows = isToken(token)
    ? await sql<OffLink[]>`
        select k.name as maker, p.name as project, k.wants_mail as "wantsMail"
        from message m join maker k on k.id = m.maker_id join project p on p.id = m.project_id
        where m.off_hash = ${hashToken(token)}`
    : [];
  const [row] = rows;
  if (row) return row;
  throw new ServerError(404, {
    code: 'no-such-link',
    what: 'This link does not work (any more).',
    mend: 'Take the one in the newest reminder, or tell your host.',
  });
}

/** Switches reminders off for whoever holds the link, or on again. What waits to be sent is put aside. */
export async function setWantsMail(sql: postgres.Sql, token: string, wantsMail: boolean): Promise<void> {
  await readOffLink(sql, token);
  await inTransaction(sql, async (step) => {
    const [maker] = await step<{ id: string; projectId: string }[]>`
      update maker set wants_mail = ${wantsMail}
      where id = (select maker_id from message where off_hash = ${hashToken(token)})
      returning id, project_id as "projectId"`;
    if (!maker) return;
    if (!wantsMail)
      await step`
        update message set state = 'put-aside', says = 'Reminders were switched off.', revision = revision + 1
        where maker_id = ${maker.id} and state in ('draft', 'queued')`;
    await notify(step, maker.projectId, 'reminders');
  });
}
