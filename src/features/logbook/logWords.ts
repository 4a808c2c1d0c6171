import { MOST_LOG_LINES } from '@/core/formats';
import type { LogEntry } from '@/server/logbook';

/** What was done, as the list of changes names it, in words. */
const CHANGES: Readonly<Record<string, string>> = {
  'bag-checked': 'looked into a bag again',
  'bag-taken-over': 'took a bag over',
  'basting-changed': 'changed how papers are folded',
  'block-added': 'brought in a block',
  'block-changed': 'changed a block',
  'block-removed': 'took a block out',
  'block-renamed': 'renamed a block',
  'block-restored': 'put a block back',
  'block-saved': 'changed a block',
  'block-sewn': 'gave a maker a block back',
  'block-skipped': 'took a block off a maker’s list',
  'calendar-changed': 'changed the calendar',
  'cloth-renamed': 'renamed a cloth',
  'cloths-merged': 'made two cloths one',
  'cloth-split': 'made one cloth two',
  'cloth-change-undone': 'took back a change of cloths',
  'cloth-substituted': 'gave makers another cloth',
  'cloth-pictured': 'changed the picture of a cloth',
  'cloth-shelved': 'changed the shelf',
  'contact-changed': 'wrote down where a maker is written to',
  'contact-forgotten': 'forgot where a maker was written to',
  'extras-changed': 'changed what goes into bags besides papers and cloth',
  'feed-renewed': 'renewed the calendar’s address',
  'gallery-changed': 'changed the gallery',
  'group-added': 'made a group',
  'group-changed': 'changed a group',
  'invitation-taken-back': 'took an invitation back',
  'handed-over': 'handed bags over',
  'handover-taken-back': 'took a handover back',
  invited: 'invited someone',
  joined: 'joined the project',
  'kit-changed': 'changed the state of bags',
  'cards-printed': 'printed cards with the codes of makers’ pages',
  'link-renewed': 'gave a maker a new link',
  'link-revoked': 'revoked a maker’s link',
  'mail-stand-in': 'changed the mail stand-in',
  'maker-changed': 'changed what is said of a maker',
  'maker-erased': 'erased a maker',
  'maker-removed': 'took a maker out',
  'maker-restored': 'put a maker back',
  'makers-added': 'added makers',
  'mark-chosen': 'chose a mark for look-alikes',
  'order-changed': 'changed the order of cloth and notions',
  'order-placed': 'noted an order as ordered',
  'order-turned': 'noted what became of an order',
  'papers-counted-in': 'counted papers into the stock',
  'photo-added': 'put a picture to a step',
  'photo-removed': 'took a picture off a step',
  'photo-restored': 'put a picture back',
  'project-imported': 'brought the project in from a file',
  'project-made': 'made the project',
  'project-run-again': 'began the project again, from an earlier one',
  'reminders-approved': 'sent reminders off',
  'reminders-changed': 'changed the words of reminders',
  'reminders-drafted': 'drafted reminders',
  'role-changed': 'changed who may do what',
  'roll-called': 'called the roll',
  'roster-read': 'read a list of makers',
  'setting-changed': 'changed the setting',
  'settings-changed': 'changed the settings',
  'version-shared': 'made a new version of a block for those who had not begun',
  'trouble-answer': 'answered a maker who was stuck',
  'trouble-assign': 'gave a trouble to someone',
  'trouble-reopen': 'took up a trouble again',
  'trouble-settle': 'settled a trouble',
  'trouble-teach': 'marked a trouble for teaching',
};

/** A line of the logbook in words. */
export function sayEntry({ kind, text }: Pick<LogEntry, 'kind' | 'text'>): string {
  if (kind !== 'change') return text;
  return CHANGES[text] ?? text.replaceAll('-', ' ');
}

export const KIND_NAMES: Readonly<Record<LogEntry['kind'], string>> = {
  note: 'note',
  decision: 'decision',
  'next-time': 'next time',
  change: 'change',
  trouble: 'stuck',
};

/** What of the logbook is looked at. */
export interface LogChoice {
  readonly words: string;
  /** A block’s id, `project` for what concerns all, or everything. */
  readonly block: string;
  readonly kind: LogEntry['kind'] | 'all' | 'written';
}

export const EVERYTHING: LogChoice = { words: '', block: 'all', kind: 'written' };

const isWritten = ({ kind }: LogEntry) => kind !== 'change';

/** The lines that hold all words asked for, whatever their case, of a block and kind. */
export function logLines(entries: readonly LogEntry[], { words, block, kind }: LogChoice): LogEntry[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return entries.filter((entry) => {
    const text = `${sayEntry(entry)} ${entry.by ?? ''}`.toLowerCase();
    const isKind = kind === 'all' || (kind === 'written' ? isWritten(entry) : entry.kind === kind);
    const isOf = block === 'all' || (block === 'project' ? entry.blockId === null : entry.blockId === block);
    return isKind && isOf && wanted.every((word) => text.includes(word));
  });
}

/** Whether older lines than these are not listed: of what was written, changed or asked. */
export function isCut(entries: readonly LogEntry[]): boolean {
  const counts = { written: 0, change: 0, trouble: 0 };
  for (const { kind } of entries) counts[kind === 'change' || kind === 'trouble' ? kind : 'written'] += 1;
  return Object.values(counts).some((count) => count >= MOST_LOG_LINES);
}
