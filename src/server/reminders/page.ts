import { dueReminders, type DueReminder } from '@/core/reminders';
import type { Sql } from '../database';
import { listContacts, type Contact } from '../makers';
import type { Project } from '../projects';
import { reminderFacts } from './facts';
import { listMessages, type Message } from './messages';
import { readReminderSettings, type ReminderSettings } from './settings';
import { readStandIn, type MailTrouble, type TakenMail } from './standIn';

/** Everything that the page of reminders shows. */
export interface RemindersPage {
  readonly messages: readonly Message[];
  readonly contacts: readonly Contact[];
  readonly settings: ReminderSettings;
  readonly revision: number;
  /** Undefined where a mail server takes the letters. */
  readonly standIn?: { readonly trouble: MailTrouble; readonly taken: readonly TakenMail[] };
}

export async function remindersPage(sql: Sql, project: Project): Promise<RemindersPage> {
  const [messages, contacts, settings, standIn] = await Promise.all([
    listMessages(sql, project),
    listContacts(sql, project),
    readReminderSettings(sql, project),
    readStandIn(sql, project),
  ]);
  return { messages, contacts, ...settings, ...(standIn ? { standIn } : {}) };
}

/** What would be drafted now, whether it was drafted before or not: for trying words on it. */
export async function previewReminders(sql: Sql, project: Project, now: number): Promise<DueReminder[]> {
  return dueReminders(await reminderFacts(sql, project, now));
}
