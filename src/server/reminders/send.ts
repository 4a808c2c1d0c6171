import type postgres from 'postgres';
import { hashToken, newToken } from '../accounts';
import { notify } from '../live';
import { NotYet, sender, Unsure, usualCarrier, type Carrier } from './carriers';
import type { MessageState } from './messages';

/** A message whose sender has not been heard of for so long is looked after by another, s. */
const LOST_S = 300;
/** After so many faults a message waits for the host. */
const MOST_TRIES = 6;
const MINUTE_MS = 60_000;
/** While letters go out, pages are told at most so often: each looks at all of them anew. */
const TELL_MS = 1000;

interface Taken {
  readonly id: string;
  readonly projectId: string;
  readonly project: string;
  readonly shop: string;
  readonly subject: string;
  readonly body: string;
  readonly base: string;
  readonly tries: number;
  readonly email: string | null;
  readonly wantsMail: boolean;
  readonly isOver: boolean;
}

/**
 * Sends what is due, one letter after another. Many processes may do so at once, and any may be killed at any place: no letter is
 * lost and none goes out twice. A letter is marked before it is handed over; where its sender was lost, the carrier is asked
 * whether it went out, and where that cannot be told the host is.
 * @returns how many went out
 */
export async function sendDueMail(sql: postgres.Sql, carrier: Carrier = usualCarrier(sql)): Promise<number> {
  const untold = new Set<string>();
  const tell = async () => {
    const projects = [...untold];
    untold.clear();
    for (const projectId of projects) await notify(sql, projectId, 'reminders');
  };
  // By the clock, not by the letter: what has left is told while the next one hangs. A database that is away tells pages itself, once it is back.
  const timer = setInterval(() => void tell().catch(() => undefined), TELL_MS);
  let sent = 0;
  try {
    await settleLost(sql, carrier, untold);
    for (;;) {
      const token = newToken();
      const message = await take(sql, token);
      if (!message) return sent;
      const [state, says, waitMs] = await handOver(carrier, message, token);
      const rows = await sql`
        update message set state = ${state}, says = ${says.slice(0, 500)}, send_at = now() + ${waitMs} * interval '1 millisecond'
        where id = ${message.id} and state = 'sending' and tries = ${message.tries} returning id`;
      if (rows.length > 0) untold.add(message.projectId);
      if (state === 'sent') sent += 1;
    }
  } finally {
    clearInterval(timer);
    await tell();
  }
}

/** Takes a message that is due and marks it as being sent, with a new link for switching reminders off. */
async function take(sql: postgres.Sql, token: string): Promise<Taken | undefined> {
  const [row] = await sql<Taken[]>`
    update message m set state = 'sending', seen_at = now(), tries = m.tries + 1, off_hash = ${hashToken(token)}
    from maker k, project p
    where m.id = (
      select own.id from message own join project on project.id = own.project_id
      where own.state = 'queued' and own.send_at <= now() and project.removed_at is null
      order by own.send_at limit 1 for update of own skip locked)
      and k.id = m.maker_id and p.id = m.project_id
    returning m.id, m.project_id as "projectId", p.name as project, p.shop, m.subject, m.body, m.base, m.tries,
      case when k.removed_at is null then k.email end as email, k.wants_mail as "wantsMail",
      coalesce(m.good_until < (now() - interval '12 hours')::date, false) as "isOver"`;
  return row;
}

/** @returns its state now, what is said of it, and when it may be tried again, ms from now */
async function handOver(carrier: Carrier, message: Taken, token: string): Promise<[MessageState, string, number]> {
  const { id, email, wantsMail, isOver, subject, body, base, shop, project, tries } = message;
  if (!wantsMail) return ['put-aside', 'Reminders were switched off.', 0];
  // Half a day of grace: it may still be that day where the maker lives.
  if (isOver) return ['put-aside', 'Its day was over before it could go.', 0];
  if (email === null) return ['put-aside', 'There is no address any more.', 0];
  try {
    const name = (shop || project).replace(/["\\\r\n]/g, '');
    await carrier.send({ id, from: `"${name}" <${sender()}>`, to: email, subject, body, off: `${base}/off/${token}` });
    return ['sent', '', 0];
  } catch (error) {
    if (error instanceof NotYet) return ['queued', '', error.waitMs];
    const says = error instanceof Error ? error.message : String(error);
    if (error instanceof Unsure) return ['unsure', says, 0];
    if (tries >= MOST_TRIES) return ['failed', says, 0];
    return ['queued', says, 2 ** tries * MINUTE_MS];
  }
} // prettier-ignore

/**
 * Messages whose sender was killed: sent if the carrier has them, else sent again; unsure where it cannot tell.
 * @param untold takes the projects of those that were settled here, and not by another at the same time
 */
async function settleLost(sql: postgres.Sql, carrier: Carrier, untold: Set<string>): Promise<void> {
  const lost = await sql<{ id: string; tries: number; projectId: string }[]>`
    select id, tries, project_id as "projectId" from message where state = 'sending' and seen_at < now() - ${LOST_S} * interval '1 second'`;
  for (const { id, tries, projectId } of lost) {
    const has = await carrier.has(id);
    const state: MessageState = has === undefined ? 'unsure' : has ? 'sent' : 'queued';
    const says = has === undefined ? 'It was being sent when the machine stopped.' : '';
    const rows = await sql`
      update message set state = ${state}, says = ${says}
      where id = ${id} and state = 'sending' and tries = ${tries} and seen_at < now() - ${LOST_S} * interval '1 second' returning id`;
    if (rows.length > 0) untold.add(projectId);
  }
}
