import Joi from 'joi';
import type postgres from 'postgres';
import { checkTexts, OCCASIONS, TEXT_LIMITS, USUAL_QUIET, USUAL_TEXTS, type QuietHours, type ReminderTexts } from '@/core/reminders'; // prettier-ignore
import { inTransaction, json, type Sql } from '../database';
import { conflict } from '../errors';
import { notify } from '../live';
import { audit, type Access, type Project } from '../projects';
import { refused } from '../refused';

/** The host’s own words, and when nobody is written to. */
export interface ReminderSettings {
  readonly texts: ReminderTexts;
  readonly quiet: QuietHours;
}

export const USUAL_SETTINGS: ReminderSettings = { texts: USUAL_TEXTS, quiet: USUAL_QUIET };

const clock = Joi.string()
  .pattern(/^([01]\d|2[0-3]):[0-5]\d$/)
  .required()
  .messages({ 'string.pattern.base': 'A time is written like 18:30.' });
const text = Joi.object({
  subject: Joi.string().trim().pattern(/^[^\r\n]*$/).max(TEXT_LIMITS.subject).required(),
  body: Joi.string().trim().max(TEXT_LIMITS.body).required(),
}).required(); // prettier-ignore

export const reminderSettingsSchema = Joi.object<ReminderSettings>({
  texts: Joi.object(Object.fromEntries(OCCASIONS.map((occasion) => [occasion, text]))).required(),
  quiet: Joi.object({ from: clock, to: clock }).required(),
});

/** The project’s words for reminders, with the revision to save them under. */
export async function readReminderSettings(
  sql: Sql,
  project: Project,
): Promise<{ settings: ReminderSettings; revision: number }> {
  const [row] = await sql<{ reminders: ReminderSettings | null; revision: number }[]>`
    select reminders, reminders_revision as revision from project where id = ${project.id}`;
  return { settings: row?.reminders ?? USUAL_SETTINGS, revision: row?.revision ?? 0 };
}

/** @throws ServerError 409 where someone else changed them since they were read, 422 where a field is none */
export async function saveReminderSettings(
  sql: postgres.Sql,
  access: Access<'edit'>,
  change: { readonly settings: ReminderSettings; readonly revision: number },
): Promise<{ revision: number }> {
  const { project } = access;
  refused(() => checkTexts(change.settings.texts));
  return inTransaction(sql, async (step) => {
    await step`select 1 from project where id = ${project.id} for update`;
    const before = await readReminderSettings(step, project);
    if (before.revision !== change.revision)
      throw conflict(
        'Someone changed the words for reminders meanwhile.',
        'Yours are still here; look at theirs, then save yours again if they still hold.',
        { reminders: before.settings, revision: before.revision },
      );
    await step`
      update project set reminders = ${json(step, change.settings)}, reminders_revision = reminders_revision + 1
      where id = ${project.id}`;
    await audit(step, access, 'reminders-changed', { before: before.settings, after: change.settings });
    await notify(step, project.id, 'reminders');
    return { revision: change.revision + 1 };
  });
}
