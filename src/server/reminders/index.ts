export {
  approveDrafts,
  changeDraft,
  countTroubled,
  draftReminders,
  listMessages,
  turnMessages,
  type Approved,
  type Message,
  type MessageState,
  type Turn,
} from './messages';
export { readOffLink, setWantsMail, type OffLink } from './off';
export { previewReminders, remindersPage, type RemindersPage } from './page';
export { sendDueMail } from './send';
export {
  readReminderSettings,
  reminderSettingsSchema,
  saveReminderSettings,
  type ReminderSettings,
} from './settings';
export { readStandIn, setMailTrouble, type MailTrouble, type TakenMail } from './standIn';
