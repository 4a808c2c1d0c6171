import { sewersOf } from '@/core/bags';
import { dayWords, daysBetween, dropsOf, type AgendaItem, type Calendar, type Day } from '@/core/calendar';
import { counted, inDays } from '@/core/words';
import type { Kit } from '@/server/bags';
import type { MakerPace } from '@/server/calendar';
import type { Maker } from '@/server/makers';
import type { BlockProgress, NewSkill } from '@/server/progress';
import { sayPlainSkill } from '@/core/sheet';

/** What Today is told from. */
export interface TodayFacts {
  readonly blocks: readonly { readonly id: string; readonly name: string; readonly problems: number }[];
  readonly makers: readonly Maker[];
  readonly kits: readonly Kit[];
  readonly progress: readonly BlockProgress[];
  readonly calendar: Calendar;
  readonly agenda: readonly AgendaItem[];
  readonly pace: readonly MakerPace[];
  /** What is still to be bought for bags of the next drop that are not packed yet, in words. */
  readonly short: readonly string[];
  readonly today: Day;
  /** Reminders that could not be sent, or may not have been. */
  readonly unsent: number;
  /** What to teach next time: marked so where makers were stuck, then what practice shows that a group misses, the worst first. */
  readonly missed: readonly {
    readonly blockId: string;
    readonly what: string;
    readonly why: string;
    /** Where it is looked at; the block’s practice where nothing is said. */
    readonly path?: string;
  }[];
  /** What the next drop asks for that no maker has done yet, in the order in which it comes. */
  readonly untaught: readonly NewSkill[];
}

/** Something that wants a decision, and where it is taken. */
export interface TodayItem {
  readonly key: string;
  /** Address under the project's. */
  readonly path: string;
  readonly what: string;
  readonly why: string;
  readonly tone: 'primary.main' | 'warning.main' | 'error.main';
}

/** Orders and evenings of packing are called for this many days ahead, and for as many after. */
const AHEAD_DAYS = 14;
const LATE_DAYS = 7;

/** What wants a decision now: the next drop first, then who needs help, then what is due. */
export function todayItems(facts: TodayFacts): TodayItem[] {
  return [...firstSteps(facts), ...nextDrop(facts), ...help(facts), ...unsent(facts), ...untaughtIn(facts), ...teach(facts), ...due(facts), ...problems(facts), ...bagsToPack(facts)];
} // prettier-ignore

function firstSteps({ blocks, makers, calendar }: TodayFacts): TodayItem[] {
  const tone = 'primary.main';
  return [
    ...(blocks.length === 0
      ? [{ key: 'first', path: 'blocks/new', what: 'Bring in the first block drawing', why: 'Everything else (bags, order of work, makers’ pages) is worked out from it.', tone } as const]
      : []),
    ...(makers.length === 0
      ? [{ key: 'makers', path: 'makers', what: 'Add the makers', why: 'One bag per block is packed for each, and each gets a personal link.', tone } as const]
      : []),
    ...(blocks.length > 0 && makers.length > 0 && dropsOf(calendar).length === 0
      ? [{ key: 'calendar', path: 'calendar', what: 'Lay out the drops', why: 'When to order cloth, when to pack and who will be done follows from them.', tone } as const]
      : []),
  ];
} // prettier-ignore

/** The blocks that are handed out by a day; all of them where no drop is laid out. */
function dueBlocks({ blocks, calendar, today }: TodayFacts) {
  const drops = dropsOf(calendar);
  const next = drops.find(({ day }) => day >= today);
  const wanted = new Set(
    drops.filter(({ day }) => day <= (next?.day ?? today)).flatMap((drop) => drop.blocks),
  );
  return { next, blocks: drops.length === 0 ? blocks : blocks.filter(({ id }) => wanted.has(id)) };
}

function bagsOf({ makers, kits }: TodayFacts, blockId: string): { bags: number; left: number } {
  const own = sewersOf(blockId, makers);
  const isReady = (id: string) => kits.some((kit) => kit.blockId === blockId && kit.makerId === id && kit.status !== 'to-pack');
  return { bags: own.length, left: own.filter(({ id }) => !isReady(id)).length };
} // prettier-ignore

/** So many things to buy are named on this page. */
const MOST_SHORT = 4;

const someOf = (short: readonly string[]) => [...short.slice(0, MOST_SHORT), ...(short.length > MOST_SHORT ? [`and ${short.length - MOST_SHORT} more`] : [])].join(', '); // prettier-ignore

function nextDrop(facts: TodayFacts): TodayItem[] {
  const { today, short } = facts;
  const { next } = dueBlocks(facts);
  if (!next) return [];
  const all = next.blocks.map((block) => bagsOf(facts, block));
  const [bags, left] = [all.reduce((sum, one) => sum + one.bags, 0), all.reduce((sum, one) => sum + one.left, 0)];
  const packed = left === 0 ? `All ${counted(bags, 'bag')} are packed.` : `${bags - left} of ${counted(bags, 'bag')} packed.`;
  const what = `${next.title} is ${inDays(daysBetween(today, next.day))}, ${dayWords(next.day)}`;
  const item: TodayItem = { key: next.id, path: left > 0 ? 'bags' : 'calendar', what, why: packed, tone: left > 0 ? 'warning.main' : 'primary.main' };
  if (short.length === 0 || left === 0) return [item];
  return [
    item,
    { key: `${next.id}-cloth`, path: 'cloth', what: `Not all is there for ${next.title}`, why: `To buy: ${someOf(short)}.`, tone: 'warning.main' },
  ];
} // prettier-ignore

/** So many makers are named in one line. */
const MOST_NAMED = 3;
const IN_A_ROW = new Intl.ListFormat('en-GB');

function allOf(names: readonly string[]): string {
  const more = names.length - MOST_NAMED;
  return IN_A_ROW.format(more > 0 ? [...names.slice(0, MOST_NAMED), `${more} more`] : names);
}

function help({ progress, makers, blocks, pace }: TodayFacts): TodayItem[] {
  const nameOf = (list: readonly { id: string; name: string }[], id: string) => list.find((entry) => entry.id === id)?.name ?? ''; // prettier-ignore
  // Those who are stuck at one step are helped together.
  const stuck = new Map<
    string,
    { readonly blockId: string; readonly stuckOn: string; readonly names: string[] }
  >();
  for (const { makerId, blockId, stuckOn } of progress) {
    if (stuckOn === undefined) continue;
    const key = `s${blockId}/${stuckOn}`;
    const one = stuck.get(key) ?? { blockId, stuckOn, names: [] };
    stuck.set(key, one);
    one.names.push(nameOf(makers, makerId));
  }
  const isResting = new Set(makers.filter(({ isPaused }) => isPaused).map(({ id }) => id));
  return [
    ...[...stuck].map(([key, { blockId, stuckOn, names }]): TodayItem => ({
      key,
      path: 'makers',
      what: `${allOf(names)} ${names.length === 1 ? 'is' : 'are'} stuck on ${nameOf(blocks, blockId)}`,
      why: stuckOn,
      tone: 'error.main',
    })),
    ...pace.filter(({ id, state }) => state === 'stalled' && !isResting.has(id)).map(({ id, name, reason }): TodayItem => ({
      key: `p${id}`,
      path: 'calendar',
      what: `${name} has not been heard from`,
      why: reason,
      tone: 'error.main',
    })),
  ]; // prettier-ignore
}

function unsent({ unsent: count }: TodayFacts): TodayItem[] {
  if (count === 0) return [];
  return [{ key: 'unsent', path: 'calendar/reminders', what: `${counted(count, 'reminder')} could not be sent`, why: 'Try again, tell them by mouth, or look whether they came.', tone: 'error.main' }];
} // prettier-ignore

/** What nobody can do yet is to be shown before the bags are handed out, at a meeting where there is one. */
function untaughtIn(facts: TodayFacts): TodayItem[] {
  const { untaught, agenda, today, blocks } = facts;
  const { next } = dueBlocks(facts);
  const [first] = untaught;
  if (!next || !first || daysBetween(today, next.day) > AHEAD_DAYS) return [];
  const meeting = agenda.find(({ kind, day }) => kind === 'meeting' && day >= today && day <= next.day);
  const skills = untaught.map(({ skill, blockId, steps }) => `${sayPlainSkill(skill)} (${blocks.find(({ id }) => id === blockId)?.name ?? ''}, ${counted(steps, 'step')})`);
  const when = meeting ? `Show it at ${meeting.title}, ${dayWords(meeting.day)}.` : 'There is no meeting before it: show it when the bags are handed out, or write to the step.';
  return [{ key: 'untaught', path: `order/${first.blockId}?step=${first.stepId}`, what: `${next.title} asks for what nobody has done yet`, why: `${sentence(someOf(skills))}. ${when}`, tone: 'warning.main' }];
} // prettier-ignore

const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** So many of the things to teach are named on this page. */
const MOST_TAUGHT = 3;

function teach({ missed, blocks }: TodayFacts): TodayItem[] {
  return missed.slice(0, MOST_TAUGHT).flatMap(({ blockId, what, why, path = `order/${blockId}/practice` }, index): TodayItem[] => {
    const block = blocks.find(({ id }) => id === blockId);
    return block ? [{ key: `t${index}`, path, what: `Teach next time, ${block.name}: ${what}`, why, tone: 'primary.main' }] : [];
  });
} // prettier-ignore

function due(facts: TodayFacts): TodayItem[] {
  const { agenda, today, short } = facts;
  const { next } = dueBlocks(facts);
  return agenda.flatMap(({ id, kind, day, title, reason }): TodayItem[] => {
    // All that the next drop takes is there or on its way: its order is settled.
    if (kind === 'order' && next && id.startsWith(`${next.id}-order`) && short.length === 0) return [];
    const days = daysBetween(today, day);
    if (days > AHEAD_DAYS || days < -LATE_DAYS) return [];
    const when = `${inDays(days)}, ${dayWords(day)}`;
    if (kind === 'order' || kind === 'packing')
      return [{ key: id, path: kind === 'order' ? 'cloth' : 'bags', what: `${title}: ${days < 0 ? 'was due ' : ''}${when}`, why: reason, tone: days < 0 ? 'warning.main' : 'primary.main' }];
    return kind === 'meeting' && days >= 0 ? [{ key: id, path: 'calendar', what: `${title} ${when}`, why: reason, tone: 'primary.main' }] : [];
  });
} // prettier-ignore

function problems({ blocks }: TodayFacts): TodayItem[] {
  return blocks.filter((block) => block.problems > 0).map(({ id, name, problems: count }) => ({
    key: `d${id}`,
    path: `blocks/${id}`,
    what: `${name}: ${counted(count, 'problem')} in the drawing`,
    why: 'See the place on the drawing.',
    tone: 'warning.main',
  })); // prettier-ignore
}

/** Bags of what is due; those of later drops are not called for yet. */
function bagsToPack(facts: TodayFacts): TodayItem[] {
  return dueBlocks(facts).blocks.flatMap(({ id, name }): TodayItem[] => {
    const { bags, left } = bagsOf(facts, id);
    if (left === 0) return [];
    return [{ key: `b${id}`, path: 'bags', what: `${name}: ${left} of ${counted(bags, 'bag')} to pack`, why: 'The pick list adds up what they take.', tone: 'warning.main' }]; // prettier-ignore
  });
}
