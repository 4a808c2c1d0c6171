import { randomUUID } from 'node:crypto';
import type postgres from 'postgres';
import { readRevision, saveBlock } from '../blocks';
import { inTransaction, type Sql } from '../database';
import { notFound } from '../errors';
import { notify } from '../live';
import { audit, type Access } from '../projects';
import { selectTroubles, type Trouble } from './troubles';

/** What hosts and helpers do with a trouble. `settle`: it is over, told so by them; `reopen` takes that back. */
export type TroubleAct =
  | { readonly kind: 'answer'; readonly wordId: string; readonly text: string }
  | { readonly kind: 'assign'; readonly accountId: string | null }
  | { readonly kind: 'settle' }
  | { readonly kind: 'reopen' }
  | { readonly kind: 'teach'; readonly isToTeach: boolean };

/** Does one thing with a trouble. @returns it as it is then. @throws ServerError 404 */
export async function actOnTrouble(
  sql: postgres.Sql,
  access: Access<'pack'>,
  troubleId: string,
  act: TroubleAct,
): Promise<Trouble> {
  const { project, account } = access;
  return inTransaction(sql, async (step) => {
    const own = step`t.id = ${troubleId} and b.project_id = ${project.id}`;
    await step`select 1 from trouble where id = ${troubleId} for update`;
    const [trouble] = await selectTroubles(step, own);
    if (!trouble) throw notFound('This trouble');
    await doWith(step, access, trouble, act);
    await step`update trouble set changed_at = now(), revision = revision + 1 where id = ${troubleId}`;
    await audit(step, access, `trouble-${act.kind}`, { trouble: troubleId, by: account.id });
    await notify(step, project.id, 'troubles');
    const [after] = await selectTroubles(step, own);
    return after as Trouble;
  });
}

async function doWith(step: Sql, { account, project }: Access<'pack'>, trouble: Trouble, act: TroubleAct): Promise<void> {
  const { id } = trouble;
  switch (act.kind) {
    case 'answer':
      await step`
        insert into trouble_word (id, trouble_id, account_id, is_makers, text)
        values (${act.wordId}, ${id}, ${account.id}, false, ${act.text}) on conflict do nothing`;
      await step`update trouble set state = 'answered' where id = ${id} and state = 'open'`;
      break;
    case 'assign': {
      const [member] = act.accountId === null ? [true] : await step`
        select 1 from membership where project_id = ${project.id} and account_id = ${act.accountId}`;
      if (!member) throw notFound('This person');
      await step`update trouble set assigned_to = ${act.accountId} where id = ${id}`;
      break;
    }
    case 'settle':
      await step`update trouble set state = 'settled' where id = ${id}`;
      await tick(step, trouble, 'stuck', 'undone');
      break;
    case 'reopen':
      await step`update trouble set state = case when exists
        (select 1 from trouble_word where trouble_id = ${id} and not is_makers) then 'answered' else 'open' end where id = ${id}`;
      await tick(step, trouble, 'undone', 'stuck');
      break;
    case 'teach':
      await step`update trouble set is_to_teach = ${act.isToTeach} where id = ${id}`;
  }
  await notify(step, project.id, 'progress', trouble.makerId);
} // prettier-ignore

/**
 * Adds an entry to a maker’s step where their last one there is of a kind: what they ticked meanwhile stands. A step that was done
 * before the call for help stays done.
 */
async function tick(step: Sql, { makerId, blockId, stepId }: Trouble, last: string, kind: string): Promise<void> {
  await step`
    insert into progress_event (client_id, maker_id, block_id, step_id, kind, at, device)
    select ${randomUUID()}, ${makerId}, ${blockId}, ${stepId}, case when ${kind} = 'undone' and 'done' = (
        select kind from progress_event where maker_id = ${makerId} and block_id = ${blockId} and step_id = ${stepId} and kind <> 'stuck'
        order by at desc, id desc limit 1) then 'done' else ${kind} end, now(), 'host'
    where ${last} = (select kind from progress_event where maker_id = ${makerId} and block_id = ${blockId}
      and step_id = ${stepId} order by at desc, id desc limit 1)`;
} // prettier-ignore

/** Puts words to a step of the block for everybody who comes there, after what stands there already. @throws ServerError 404 */
export async function noteForAll(
  sql: postgres.Sql,
  access: Access<'edit'>,
  troubleId: string,
  text: string,
): Promise<void> {
  const [trouble] = await selectTroubles(
    sql,
    sql`t.id = ${troubleId} and b.project_id = ${access.project.id}`,
  );
  if (!trouble) throw notFound('This trouble');
  const { document, revision } = await readRevision(sql, access.project, trouble.blockId);
  const before = document.notes?.[trouble.stepId];
  const notes = { ...document.notes, [trouble.stepId]: before ? `${before} ${text}` : text };
  await saveBlock(sql, access, trouble.blockId, { document: { ...document, notes }, revision });
}
