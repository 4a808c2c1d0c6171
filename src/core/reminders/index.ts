export { dueReminders, type DueReminder, type MakerFacts, type ReminderFacts } from './due';
export { afterQuiet, USUAL_QUIET, type QuietHours } from './quietHours';
export {
  checkTexts,
  FIELDS,
  fillText,
  OCCASIONS,
  TEXT_LIMITS,
  USUAL_TEXTS,
  type Field,
  type FieldValues,
  type Occasion,
  type ReminderText,
  type ReminderTexts,
} from './texts';
