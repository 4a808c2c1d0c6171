import type postgres from 'postgres';
import { inTransaction, type Sql } from '../database';
import { notify } from '../live';
import { audit, type Access, type Project } from '../projects';

/** What the mail stand-in does with letters: takes them, refuses them, or lets them wait. */
export type MailTrouble = 'none' | 'refuses' | 'slow';

/** A letter that the stand-in took. */
export interface TakenMail {
  readonly id: string;
  readonly recipient: string;
  readonly subject: string;
  readonly body: string;
  readonly at: string;
}

const MOST_SHOWN = 200;

/** What it took of a project, the newest first; undefined where a mail server is named in the environment. */
export async function readStandIn(
  sql: Sql,
  project: Project,
): Promise<{ trouble: MailTrouble; taken: TakenMail[] } | undefined> {
  if (process.env.KEVLO_SMTP_URL) return undefined;
  const [row] = await sql<{ trouble: MailTrouble }[]>`
    select mail_trouble as trouble from project where id = ${project.id}`;
  const taken = await sql<TakenMail[]>`
    select s.message_id as id, s.recipient, s.subject, s.body, s.at
    from stand_in_mail s join message m on m.id = s.message_id
    where m.project_id = ${project.id} order by s.at desc, s.message_id limit ${MOST_SHOWN}`;
  return { trouble: row?.trouble ?? 'none', taken: [...taken] };
}

export async function setMailTrouble(
  sql: postgres.Sql,
  access: Access<'edit'>,
  trouble: MailTrouble,
): Promise<void> {
  await inTransaction(sql, async (step) => {
    await step`update project set mail_trouble = ${trouble} where id = ${access.project.id}`;
    await audit(step, access, 'mail-stand-in', { trouble });
    await notify(step, access.project.id, 'reminders');
  });
}
