import { counted } from '../words';
import {
  dropsOf,
  holidaysOf,
  isHoliday,
  type Calendar,
  type CalendarEntry,
  type Drop,
  type Holiday,
} from './calendar';
import { dayWords, plusDays, type Day } from './days';

/** What a block asks for when its bags are made and sewn. */
export interface BlockWork {
  readonly id: string;
  readonly name: string;
  /** Standard minutes of all its steps, for one maker. */
  readonly minutes: number;
  /** The same by what kind of work it is. */
  readonly minutesOf?: Readonly<Record<string, number>>;
  /** One for each maker who sews it. */
  readonly bags: number;
  /** The same by group, where there are groups. */
  readonly bagsOf?: Readonly<Record<string, number>>;
  /** Papers and cut pieces that go into one bag. */
  readonly pieces: number;
}

/** Blocks with the minutes that a project reckons with, where some works take it longer or shorter than the standard. */
export function reckoned(blocks: readonly BlockWork[], standards: Calendar['standards'] = {}): BlockWork[] {
  return blocks.map((block) => {
    const more = Object.entries(block.minutesOf ?? {}).map(([work, minutes]) => minutes * ((standards[work] ?? 1) - 1));
    return { ...block, minutes: block.minutes + more.reduce((sum, one) => sum + one, 0) };
  });
} // prettier-ignore

/** Something that a day is there for: an entry, one of a meeting's times, or what follows from a drop. */
export interface AgendaItem {
  readonly id: string;
  readonly day: Day;
  readonly kind: CalendarEntry['kind'] | 'order' | 'packing';
  readonly title: string;
  /** Where the day comes from, or what is said of the entry. */
  readonly reason: string;
  /** The entry that it belongs to. */
  readonly entry: string;
}

/** Opening, labelling and closing a bag, and each piece that is counted into it; minutes. */
const BAG_MINUTES = 3;
const PIECE_MINUTES = 0.05;

/** Minutes of packing all bags of some blocks. */
export function packingMinutes(blocks: readonly BlockWork[]): number {
  return blocks.reduce((sum, { bags, pieces }) => sum + bags * (BAG_MINUTES + PIECE_MINUTES * pieces), 0);
}

/** Everything that the calendar holds and what follows from it, by day. */
export function agendaOf(calendar: Calendar, blocks: readonly BlockWork[]): AgendaItem[] {
  const holidays = holidaysOf(calendar);
  const items = [
    ...calendar.entries.flatMap((entry) => itemsOf(entry, holidays, blocks)),
    ...dropsOf(calendar).flatMap((drop) => deadlinesOf(drop, calendar, holidays, blocks)),
  ];
  return items.sort((a, b) => (a.day === b.day ? (a.id < b.id ? -1 : 1) : a.day < b.day ? -1 : 1));
}

function itemsOf(entry: CalendarEntry, holidays: readonly Holiday[], blocks: readonly BlockWork[]): AgendaItem[] {
  const { id, kind, title, day, note = '' } = entry;
  const item = { id, kind, title, day, entry: id };
  if (entry.kind === 'holiday') return [{ ...item, reason: day === entry.until ? note : `${note ? `${note}; ` : ''}to ${dayWords(entry.until)}` }];
  if (entry.kind === 'drop') {
    const names = entry.blocks.flatMap((block) => blocks.find((one) => one.id === block)?.name ?? []);
    return [{ ...item, reason: names.length > 0 ? names.join(', ') : 'no block in it yet' }];
  }
  return Array.from({ length: entry.times }, (_, time) => {
    const on = plusDays(day, 7 * entry.everyWeeks * time);
    const where = [`${entry.at}, ${counted(entry.minutes, 'minute')}`, entry.place, note].filter(Boolean).join('; ');
    const free = isHoliday(holidays, on) ? ' Falls into a holiday.' : '';
    return { ...item, id: `${id}-${time}`, day: on, reason: `${where}${free}` };
  });
} // prettier-ignore

/** Packing begins so many evenings before a drop, and cloth is ordered so long before that. */
function deadlinesOf(drop: Drop, calendar: Calendar, holidays: readonly Holiday[], all: readonly BlockWork[]): AgendaItem[] {
  const blocks = all.filter(({ id }) => drop.blocks.includes(id)).map((block) => bagsFor(block, drop.group));
  const bags = blocks.reduce((sum, one) => sum + one.bags, 0);
  if (bags === 0) return [];
  const minutes = packingMinutes(blocks);
  const evenings = Math.ceil(minutes / calendar.eveningMinutes);
  const packing = daysBefore(drop.day, evenings, holidays);
  const usual = { name: '', leadDays: calendar.leadDays };
  const orders = [usual, ...(calendar.suppliers ?? [])].map(({ name, leadDays }, index): AgendaItem => ({
    id: `${drop.id}-order${index === 0 ? '' : `-${name}`}`,
    day: plusDays(packing, -leadDays),
    kind: 'order',
    title: name === '' ? `Order cloth for ${drop.title}` : `Order from ${name} for ${drop.title}`,
    reason: `${counted(leadDays, 'day')} until it comes, then packing on ${dayWords(packing)}`,
    entry: drop.id,
  }));
  return [
    {
      id: `${drop.id}-packing`,
      day: packing,
      kind: 'packing',
      title: `Pack for ${drop.title}`,
      reason: `${counted(bags, 'bag')}, about ${Math.round(minutes)} minutes: ${counted(evenings, 'evening')} of ${counted(calendar.eveningMinutes, 'minute')}`,
      entry: drop.id,
    },
    ...orders,
  ];
} // prettier-ignore

/** A block with the bags of one group alone. */
function bagsFor(block: BlockWork, group: string | undefined): BlockWork {
  return group === undefined ? block : { ...block, bags: block.bagsOf?.[group] ?? 0 };
}

function daysBefore(day: Day, count: number, holidays: readonly Holiday[]): Day {
  let [at, left] = [day, count];
  for (let tries = 0; left > 0 && tries < 1000; tries++) {
    at = plusDays(at, -1);
    if (!isHoliday(holidays, at)) left -= 1;
  }
  return at;
}
