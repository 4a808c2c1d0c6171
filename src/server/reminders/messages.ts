import type postgres from 'postgres';
import { afterQuiet, dueReminders, fillText, type Occasion } from '@/core/reminders';
import { readKeptCalendar } from '../calendar';
import { inTransaction, type Sql } from '../database';
import { conflict, notFound } from '../errors';
import { notify } from '../live';
import { audit, type Access, type Project } from '../projects';
import { reminderFacts } from './facts';
import { readReminderSettings } from './settings';

/** From a draft to the maker; `unsure`: whether it went out before a fault nobody can tell. */
export type MessageState =
  'draft' | 'queued' | 'sending' | 'sent' | 'said' | 'failed' | 'unsure' | 'put-aside';

export interface Message {
  readonly id: string;
  readonly makerId: string;
  readonly maker: string;
  readonly occasion: Occasion;
  readonly reason: string;
  readonly subject: string;
  readonly body: string;
  readonly state: MessageState;
  readonly revision: number;
  readonly sendAt: string | null;
  readonly tries: number;
  /** What went wrong, or why it was put aside. */
  readonly says: string;
  readonly madeAt: string;
}

/** Messages of a project that are shown at the same time; older ones that are over are left out. */
const MOST_SHOWN = 1000;

/** Messages that could not be sent, or may not have been: somebody must look. */
export async function countTroubled(sql: Sql, project: Project): Promise<number> {
  const [row] = await sql<{ count: number }[]>`
    select count(*)::int as count from message where project_id = ${project.id} and state in ('failed', 'unsure')`;
  return row?.count ?? 0;
}

/** Drafts and what is on its way first, then what is over, the newest first. */
export function listMessages(sql: Sql, project: Project): Promise<Message[]> {
  return sql<Message[]>`
    select m.id, m.maker_id as "makerId", maker.name as maker, m.occasion, m.reason, m.subject, m.body, m.state, m.revision,
      m.send_at as "sendAt", m.tries, m.says, m.made_at as "madeAt"
    from message m join maker on maker.id = m.maker_id
    where m.project_id = ${project.id}
    order by m.state in ('sent', 'said', 'put-aside'), m.made_at desc, lower(maker.name), m.id limit ${MOST_SHOWN}`;
}

/**
 * Drafts what is due and was not drafted before; nothing leaves the house.
 * @param isAnew drafts that nobody touched are written again, as things and words stand now
 * @returns how many were written
 */
export async function draftReminders(
  sql: postgres.Sql,
  access: Access<'edit'>,
  now: number,
  isAnew = false,
): Promise<{ made: number }> {
  const { project } = access;
  const [facts, { settings }] = await Promise.all([
    reminderFacts(sql, project, now),
    readReminderSettings(sql, project),
  ]);
  const due = dueReminders(facts);
  return inTransaction(sql, async (step) => {
    const rows = due.map(({ makerId, occasion, key, reason, until = null, values }) => ({
      project_id: project.id,
      maker_id: makerId,
      occasion,
      cause: key,
      reason,
      good_until: until,
      ...fillText(settings.texts[occasion], values),
    }));
    if (isAnew)
      await step`delete from message where project_id = ${project.id} and state = 'draft' and revision = 1`;
    const made = rows.length === 0 ? [] : await step`
      insert into message ${step(rows)} on conflict (maker_id, cause) do nothing returning id`;
    if (made.length > 0) await audit(step, access, 'reminders-drafted', { count: made.length });
    if (made.length > 0) await notify(step, project.id, 'reminders');
    return { made: made.length };
  }); // prettier-ignore
}

/** Changes the words of one draft. @throws ServerError 409 where someone changed or approved it meanwhile */
export async function changeDraft(
  sql: postgres.Sql,
  access: Access<'edit'>,
  change: { readonly id: string; readonly subject: string; readonly body: string; readonly revision: number },
): Promise<{ revision: number }> {
  const { project, account } = access;
  const { id, subject, body, revision } = change;
  return inTransaction(sql, async (step) => {
    const [row] = await step<{ revision: number }[]>`
      update message set subject = ${subject}, body = ${body}, revision = revision + 1, changed_by = ${account.id}
      where id = ${id} and project_id = ${project.id} and state = 'draft' and revision = ${revision} returning revision`;
    if (!row) {
      const current = (await listMessages(step, project)).find((message) => message.id === id);
      if (!current) throw notFound('This reminder');
      throw conflict('Someone changed this reminder, or sent it off, meanwhile.', 'Look at theirs; yours is still here.', current); // prettier-ignore
    }
    await notify(step, project.id, 'reminders');
    return row;
  });
}

/** What became of an approval: how many are on their way, and why the others are not. */
export interface Approved {
  readonly queued: number;
  readonly noAddress: number;
  readonly switchedOff: number;
  /** Changed, sent off or put aside by someone else since they were looked at. */
  readonly changed: number;
}

/** So long whoever sent them off may call them back before the first one leaves. */
const GRACE_MS = 15_000;

/**
 * Sends drafts off, as they were looked at: each goes out when it is not quiet where its maker lives.
 * @param base where the application's pages are, for the link that switches reminders off
 */
export async function approveDrafts(
  sql: postgres.Sql,
  access: Access<'edit'>,
  looked: readonly { readonly id: string; readonly revision: number }[],
  base: string,
  now: number,
): Promise<Approved> {
  const { project, account } = access;
  const [{ calendar }, { settings }] = await Promise.all([
    readKeptCalendar(sql, project),
    readReminderSettings(sql, project),
  ]);
  return inTransaction(sql, async (step) => {
    const rows = await step<{ id: string; revision: number; email: string | null; zone: string | null; wants: boolean }[]>`
      select m.id, m.revision, k.email, k.time_zone as zone, k.wants_mail as wants
      from message m join maker k on k.id = m.maker_id
      where m.project_id = ${project.id} and m.state = 'draft' and k.removed_at is null
        and m.id = any(${looked.map(({ id }) => id)}::uuid[]) order by m.id for update of m`;
    const revisions = new Map(looked.map(({ id, revision }) => [id, revision]));
    const same = rows.filter(({ id, revision }) => revisions.get(id) === revision);
    const sendable = same.filter(({ email, wants }) => email !== null && wants);
    for (const { id, zone } of sendable) {
      const at = new Date(afterQuiet(now + GRACE_MS, zone ?? calendar.timeZone, settings.quiet));
      await step`
        update message set state = 'queued', send_at = ${at}, base = ${base}, tries = 0, says = '', revision = revision + 1,
          changed_by = ${account.id} where id = ${id}`;
    }
    await audit(step, access, 'reminders-approved', { count: sendable.length });
    await notify(step, project.id, 'reminders');
    return {
      queued: sendable.length,
      noAddress: same.filter(({ email, wants }) => wants && email === null).length,
      switchedOff: same.filter(({ wants }) => !wants).length,
      changed: looked.length - same.length,
    };
  }); // prettier-ignore
}

/** What the host does with messages beside sending them off, and from which states. */
const TURNS = {
  /** Told by word of mouth. */
  said: { to: 'said', from: ['draft', 'failed', 'unsure'] },
  aside: { to: 'put-aside', from: ['draft', 'failed', 'unsure'] },
  /** Back to a draft: what was not taken by the mail yet can be called back. */
  back: { to: 'draft', from: ['queued', 'said', 'put-aside', 'failed'] },
  /** Once more after a fault; of an unsure one the host has looked whether it came. */
  again: { to: 'queued', from: ['failed', 'unsure'] },
  arrived: { to: 'sent', from: ['unsure'] },
} as const satisfies Record<string, { readonly to: MessageState; readonly from: readonly MessageState[] }>;

export type Turn = keyof typeof TURNS;

/** @returns how many were turned; those that are elsewhere by now are left */
export async function turnMessages(
  sql: postgres.Sql,
  access: Access<'edit'>,
  turn: Turn,
  ids: readonly string[],
): Promise<{ turned: number }> {
  const { to, from } = TURNS[turn];
  return inTransaction(sql, async (step) => {
    const rows = await step`
      update message set state = ${to}, says = '', tries = 0, revision = revision + 1, changed_by = ${access.account.id},
        send_at = ${to === 'queued' ? step`now()` : step`send_at`}
      where project_id = ${access.project.id} and id = any(${ids}::uuid[]) and state in ${step(from)} returning id`;
    await audit(step, access, `reminders-${turn}`, { count: rows.length });
    await notify(step, access.project.id, 'reminders');
    return { turned: rows.length };
  });
}
