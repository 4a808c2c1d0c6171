import { agendaOf, dayAt, plusDays, type AgendaItem } from '@/core/calendar';
import type { OrderCalls } from '@/core/order';
import { counted } from '@/core/words';
import { listSummaries } from './blocks';
import { readKeptCalendar, worksOf } from './calendar';
import { clothShelf } from './cloth';
import { clothCalls } from './orders';
import type { Sql } from './database';
import { listKits } from './bags';
import { listMakers } from './makers';
import { tellStuck } from './progress';
import type { Project } from './projects';
import { countTroubled } from './reminders';

/** What a station's mark on the tape says. */
export interface Badge {
  /** What there wants a decision; empty when nothing does. */
  readonly calls: string;
  /** Whether the work has come that far. */
  readonly isReached: boolean;
}

export type StationKey = 'blocks' | 'cloth' | 'bags' | 'order' | 'makers' | 'calendar';

export type Badges = Readonly<Record<StationKey, Badge>>;

/** What each station of a project calls for now. */
export async function projectBadges(sql: Sql, project: Project): Promise<Badges> {
  const [{ blocks }, makers, kits, { stuck, isBegun }, shelf, { calendar }, troubled] = await Promise.all([
    listSummaries(sql, project),
    listMakers(sql, project),
    listKits(sql, project),
    tellStuck(sql, project),
    clothShelf(sql, project),
    readKeptCalendar(sql, project),
    countTroubled(sql, project),
  ]);
  const isReady = new Set(
    kits.flatMap(({ status, makerId, blockId }) => (status === 'to-pack' ? [] : [`${makerId}/${blockId}`])),
  );
  const bags = makers.flatMap(({ id, skips }) =>
    blocks.filter((block) => !skips.includes(block.id)).map((block) => `${id}/${block.id}`),
  );
  const toPack = bags.filter((bag) => !isReady.has(bag)).length;
  const order = await clothCalls(sql, project, { blocks, makers, kits, shelf });
  const unsaid = shelf.filter(({ revision }) => revision === 0).length;
  const problems = sum(blocks.map(({ summary }) => summary.problems));
  const clashes = sum(blocks.map(({ summary }) => summary.clashes));
  const today = dayAt(Date.now(), calendar.timeZone);
  const due = agendaOf(calendar, worksOf(blocks, makers)).filter(
    ({ kind, day }) => isWork(kind) && day >= today && day <= plusDays(today, SOON_DAYS),
  ).length;
  return {
    blocks: { calls: count(problems, 'problem'), isReached: blocks.length > 0 },
    cloth: { calls: sayCloth(unsaid, order), isReached: shelf.some(({ revision }) => revision > 0) },
    bags: { calls: toPack > 0 ? `${toPack} to pack` : '', isReached: bags.length > toPack },
    order: { calls: count(clashes, 'clash', 'clashes'), isReached: blocks.length > 0 },
    makers: { calls: stuck > 0 ? `${stuck} stuck` : '', isReached: isBegun },
    calendar: {
      calls: [...(due > 0 ? [`${due} due`] : []), ...(troubled > 0 ? [`${troubled} unsent`] : [])].join(', '),
      isReached: calendar.entries.some(({ kind, day }) => kind === 'drop' && day <= today),
    },
  };
}

/** “1 new cloth, 12 to buy, 2 too much”. */
function sayCloth(unsaid: number, { toBuy, tooMuch }: Partial<OrderCalls> = {}): string {
  return [count(unsaid, 'new cloth'), ...(toBuy ? [`${toBuy} to buy`] : []), ...(tooMuch ? [`${tooMuch} too much`] : [])]
    .filter(Boolean)
    .join(', ');
} // prettier-ignore

/** What is due within so many days wants a look. */
const SOON_DAYS = 7;
const isWork = (kind: AgendaItem['kind']) => kind === 'drop' || kind === 'order' || kind === 'packing';

function sum(numbers: readonly number[]): number {
  return numbers.reduce((total, number) => total + number, 0);
}

function count(number: number, one: string, many?: string): string {
  return number === 0 ? '' : counted(number, one, many);
}
