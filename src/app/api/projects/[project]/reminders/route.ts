import Joi from 'joi';
import { TEXT_LIMITS } from '@/core/reminders';
import { database } from '@/server/database';
import { projectRoute, readJson } from '@/server/http';
import { log } from '@/server/log';
import { publicAddress } from '@/server/makers';
import { id, parse } from '@/server/parse';
import {
  approveDrafts,
  changeDraft,
  draftReminders,
  previewReminders,
  reminderSettingsSchema,
  remindersPage,
  saveReminderSettings,
  sendDueMail,
  setMailTrouble,
  turnMessages,
  type MailTrouble,
  type ReminderSettings,
  type Turn,
} from '@/server/reminders';

interface Looked {
  readonly id: string;
  readonly revision: number;
}
interface Change extends Looked {
  readonly subject: string;
  readonly body: string;
}
type Body =
  | { draft: 'new' | 'anew' }
  | { preview: true }
  | { approve: readonly Looked[] }
  | { change: Change }
  | { turn: Turn; ids: readonly string[] }
  | { trouble: MailTrouble };

/** Messages that are sent off, or turned, at the same time. */
const MOST = 2000;
const revision = Joi.number().integer().min(0).required();
const BODY = Joi.alternatives<Body>().try(
  Joi.object({ draft: Joi.valid('new', 'anew').required() }),
  Joi.object({ preview: Joi.valid(true).required() }),
  Joi.object({ approve: Joi.array().items(Joi.object({ id: id(), revision })).min(1).max(MOST).required() }),
  Joi.object({
    change: Joi.object({
      id: id(),
      revision,
      subject: Joi.string().trim().min(1).pattern(/^[^\r\n]*$/).max(2 * TEXT_LIMITS.subject).required(),
      body: Joi.string().trim().max(2 * TEXT_LIMITS.body).required(),
    }).required(),
  }),
  Joi.object({
    turn: Joi.valid('said', 'aside', 'back', 'again', 'arrived').required(),
    ids: Joi.array().items(id()).min(1).max(MOST).required(),
  }),
  Joi.object({ trouble: Joi.valid('none', 'refuses', 'slow').required() }),
); // prettier-ignore

const SETTINGS = Joi.object<{ reminders: ReminderSettings; revision: number }>({
  reminders: reminderSettingsSchema.required(),
  revision,
});

export const GET = projectRoute('edit', (_request, { project }) => remindersPage(database(), project));

export const PUT = projectRoute('edit', async (request, access) => {
  const { reminders, revision: read } = parse(SETTINGS, await readJson(request));
  return saveReminderSettings(database(), access, { settings: reminders, revision: read });
});

export const POST = projectRoute('edit', async (request, access) => {
  const body = parse<Body>(BODY, await readJson(request));
  const sql = database();
  if ('draft' in body) return draftReminders(sql, access, Date.now(), body.draft === 'anew');
  if ('preview' in body) return { due: await previewReminders(sql, access.project, Date.now()) };
  if ('change' in body) return changeDraft(sql, access, body.change);
  if ('trouble' in body) return setMailTrouble(sql, access, body.trouble);
  if ('approve' in body)
    return approveDrafts(sql, access, body.approve, publicAddress(request, ''), Date.now());
  const turned = await turnMessages(sql, access, body.turn, body.ids);
  // What is to go once more need not wait for the next look.
  if (body.turn === 'again')
    void sendDueMail(sql).catch((error: unknown) => log().warn({ err: error }, 'mail could not be sent'));
  return turned;
});
