import {
  dayWords,
  daysBetween,
  dropsOf,
  forGroup,
  plusDays,
  type Calendar,
  type Day,
  type Meeting,
} from '../calendar';
import type { PaceState } from '../pace';
import { formatMinutes } from '../words';
import type { FieldValues, Occasion } from './texts';

/** What is known of a maker when reminders are drafted. */
export interface MakerFacts {
  readonly id: string;
  readonly name: string;
  /** Their group; null for none. Dates of other groups are not theirs. */
  readonly groupId?: string | null;
  /** Who pauses is left in peace. */
  readonly isPaused?: boolean;
  /** Blocks that they sew, those that they have finished, and those on which they asked for help. */
  readonly blocks: readonly string[];
  readonly finished: readonly string[];
  readonly isStuck: boolean;
  readonly state: PaceState;
  /** The state in a sentence. */
  readonly reason: string;
  /** Standard minutes that are left. */
  readonly left: number;
  /** Text of the next step. */
  readonly next?: string;
  readonly last?: Day;
}

export interface ReminderFacts {
  readonly project: string;
  readonly shop: string;
  readonly calendar: Calendar;
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  readonly makers: readonly MakerFacts[];
  readonly today: Day;
}

/** Something that a maker is to be told, and why. */
export interface DueReminder {
  readonly makerId: string;
  readonly occasion: Occasion;
  /** Tells one cause from another: of one cause a maker is told once. */
  readonly key: string;
  readonly reason: string;
  /** The day that it tells of; after it, it is of no use. */
  readonly until?: Day;
  readonly values: FieldValues;
}

/** A drop is told so many days before, a meeting so many. */
const DROP_DAYS = 7;
const MEETING_DAYS = 3;

/**
 * Who is to be told what: the next drop and meeting to those whom they concern; who slips or is not heard of only where neither
 * is due, for one letter is enough. Whoever is stuck waits for an answer, not for a reminder; who is done is left in peace.
 */
export function dueReminders(facts: ReminderFacts): DueReminder[] {
  return facts.makers.flatMap((maker): DueReminder[] => {
    if (maker.isPaused) return [];
    const own = { ...facts, calendar: forGroup(facts.calendar, maker.groupId ?? null) };
    const dates = [...dropFor(own, maker), ...meetingsFor(own, maker)];
    return dates.length > 0 ? dates : paceFor(own, maker);
  });
}

function common({ project, shop }: ReminderFacts, maker: MakerFacts, day?: Day): FieldValues {
  const { name, next, last, left } = maker;
  return {
    name,
    project,
    shop: shop || project,
    ...(day === undefined ? {} : { day: dayWords(day) }),
    ...(left < 0.5 ? {} : { left: formatMinutes(left) }),
    ...(next === undefined ? {} : { next: withoutStop(next) }),
    ...(last === undefined ? {} : { last: dayWords(last) }),
  };
}

/** Step texts end as sentences do; within one they must not. */
const withoutStop = (text: string) => text.replace(/\.\s*$/, '');

function dropFor(facts: ReminderFacts, maker: MakerFacts): DueReminder[] {
  const drops = dropsOf(facts.calendar);
  const next = drops.find(({ day }) => day >= facts.today);
  if (!next || daysBetween(facts.today, next.day) > DROP_DAYS) return [];
  const own = next.blocks.filter((id) => maker.blocks.includes(id));
  if (own.length === 0) return [];
  const before = drops.filter(({ day }) => day < next.day).flatMap(({ blocks }) => blocks);
  const open = before.filter((id) => maker.blocks.includes(id) && !maker.finished.includes(id));
  const values: FieldValues = {
    ...common(facts, maker, next.day),
    drop: next.title,
    blocks: namesOf(facts, own),
    ...(open.length > 0 ? { open: namesOf(facts, open) } : {}),
    ...(next.note ? { note: next.note } : {}),
  };
  const reason = `${next.title} is on ${dayWords(next.day)}.`;
  return [
    {
      makerId: maker.id,
      occasion: 'drop',
      key: `drop/${next.id}/${next.day}`,
      reason,
      until: next.day,
      values,
    },
  ];
}

function meetingsFor(facts: ReminderFacts, maker: MakerFacts): DueReminder[] {
  const meetings = facts.calendar.entries.filter((entry): entry is Meeting => entry.kind === 'meeting');
  return meetings.flatMap((meeting): DueReminder[] => {
    const days = Array.from({ length: meeting.times }, (_, time) => plusDays(meeting.day, 7 * meeting.everyWeeks * time));
    const day = days.find((one) => one >= facts.today);
    if (day === undefined || daysBetween(facts.today, day) > MEETING_DAYS) return [];
    const values: FieldValues = {
      ...common(facts, maker, day),
      meeting: meeting.title,
      time: meeting.at,
      ...(meeting.place ? { place: meeting.place } : {}),
      ...(meeting.note ? { note: meeting.note } : {}),
    };
    const reason = `${meeting.title} is on ${dayWords(day)}.`;
    return [{ makerId: maker.id, occasion: 'meeting', key: `meeting/${meeting.id}/${day}`, reason, until: day, values }];
  });
} // prettier-ignore

function paceFor(facts: ReminderFacts, maker: MakerFacts): DueReminder[] {
  const { id, state, reason, isStuck, last } = maker;
  if (isStuck || maker.left < 0.5) return [];
  const values = common(facts, maker);
  // Of one silence they are asked once; of falling behind once before each drop.
  if (state === 'stalled') return [{ makerId: id, occasion: 'quiet', key: `quiet/${last ?? 'never'}`, reason, values }];
  const next = dropsOf(facts.calendar).find(({ day }) => day >= facts.today);
  if (state === 'slipping') return [{ makerId: id, occasion: 'slipping', key: `slipping/${next?.id ?? 'end'}`, reason, values }];
  return [];
} // prettier-ignore

function namesOf({ blocks }: ReminderFacts, ids: readonly string[]): string {
  return ids.flatMap((id) => blocks.find((block) => block.id === id)?.name ?? []).join(', ');
}
