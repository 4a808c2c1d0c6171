import fc from 'fast-check';
import { beforeAll, expect, test } from 'vitest';
import { loadSolver } from '@/workers/node/highsSolver';
import type { Solver } from '../solver';
import { shareInTime } from './shareInTime';
import {
  EMPTY_CALENDAR,
  agendaOf,
  checkCalendar,
  dayAt,
  dayWords,
  daysBetween,
  dropsOf,
  earlyShares,
  forGroup,
  isDay,
  isTimeZone,
  levelCalendar,
  mondayOf,
  peakLoad,
  plusDays,
  reckoned,
  renamed,
  suppose,
  weeklyLoad,
  withEntriesOf,
  type BlockWork,
  type Calendar,
  type Day,
  type Drop,
  type Holiday,
  type Meeting,
} from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

const block = (id: string, minutes: number, bags = 10): BlockWork => ({ id, name: `Block ${id}`, minutes, bags, pieces: 60 }); // prettier-ignore
const drop = (id: string, day: string, blocks: readonly string[], isFixed = false): Drop => ({ kind: 'drop', id, day, title: `Drop ${id}`, blocks, isFixed }); // prettier-ignore
const holiday: Holiday = {
  kind: 'holiday',
  id: 'h',
  day: '2026-04-03',
  until: '2026-04-06',
  title: 'Easter',
};
const meeting: Meeting = { kind: 'meeting', id: 'm', day: '2026-03-20', title: 'Circle', at: '18:30', minutes: 120, place: 'Back room', everyWeeks: 2, times: 3 }; // prettier-ignore
const calendar = (...entries: Calendar['entries'][number][]): Calendar => ({ ...EMPTY_CALENDAR, entries });

test('days: those that exist, over months, leap days and clock changes, and their Mondays', () => {
  expect(['2028-02-29', '2026-02-29', '2026-02-30', '2026-13-01', '28 March', '2026-3-1'].map(isDay)).toEqual([true, false, false, false, false, false]); // prettier-ignore
  expect([plusDays('2026-03-28', 1), plusDays('2026-03-29', 1), plusDays('2026-03-01', -1)]).toEqual(['2026-03-29', '2026-03-30', '2026-02-28']); // prettier-ignore
  expect(daysBetween('2026-03-28', '2026-11-01')).toBe(218);
  expect([mondayOf('2026-03-29'), mondayOf('2026-03-30'), dayWords('2026-03-28')]).toEqual(['2026-03-23', '2026-03-30', 'Sat 28 Mar 2026']); // prettier-ignore
  // Late in the evening here it is the next day there.
  const late = Date.UTC(2026, 2, 28, 23, 30);
  expect(['UTC', 'Europe/Lisbon', 'Pacific/Auckland', 'America/Lima'].map((zone) => dayAt(late, zone))).toEqual(['2026-03-28', '2026-03-28', '2026-03-29', '2026-03-28']); // prettier-ignore
  expect(['Europe/Lisbon', 'Mars/North', ''].map(isTimeZone)).toEqual([true, false, false]);
});

test('cloth is ordered and bags are packed in time before a drop, over a holiday; a meeting comes again', () => {
  const agenda = agendaOf(calendar(drop('a', '2026-04-08', ['1', '2']), holiday, meeting), [block('1', 300), block('2', 200)]); // prettier-ignore
  expect(agenda.map(({ day, kind }) => `${day} ${kind}`)).toEqual([
    '2026-03-20 meeting',
    // Twenty bags of 3 + 60 × 0.05 minutes are one evening of two hours: the last one before the drop, ten days after the order.
    '2026-03-28 order',
    '2026-04-03 holiday',
    '2026-04-03 meeting',
    '2026-04-07 packing',
    '2026-04-08 drop',
    '2026-04-17 meeting',
  ]);
  expect(agenda.map(({ reason }) => reason)).toEqual([
    '18:30, 120 minutes; Back room',
    '10 days until it comes, then packing on Tue 7 Apr 2026',
    'to Mon 6 Apr 2026',
    '18:30, 120 minutes; Back room Falls into a holiday.',
    '20 bags, about 120 minutes: 1 evening of 120 minutes',
    'Block 1, Block 2',
    '18:30, 120 minutes; Back room',
  ]);
  const two = agendaOf({ ...calendar(drop('a', '2026-04-08', ['1', '2']), holiday), eveningMinutes: 119 }, [block('1', 300), block('2', 200)]);
  // A second evening: not on the four days of the holiday.
  expect(two.find(({ kind }) => kind === 'packing')).toMatchObject({ day: '2026-04-02' });
  expect(agendaOf(calendar(drop('a', '2026-04-08', [])), [block('1', 300)])).toMatchObject([{ kind: 'drop', reason: 'no block in it yet' }]);
}); // prettier-ignore

test('a drop’s work is spread over the days until the next; holidays take none of it, and give less room', () => {
  const weeks = weeklyLoad(calendar(drop('a', '2026-03-23', ['1']), drop('b', '2026-04-13', ['2']), holiday), [block('1', 170), block('2', 210)]); // prettier-ignore
  // 17 sewing days of ten minutes; then three weeks as long as before, ten a day.
  expect(weeks.map(({ monday, minutes }) => [monday, Math.round(minutes)])).toEqual([
    ['2026-03-23', 70],
    ['2026-03-30', 40],
    ['2026-04-06', 60],
    ['2026-04-13', 70],
    ['2026-04-20', 70],
    ['2026-04-27', 70],
  ]);
  expect(weeks.map(({ room }) => Math.round(room))).toEqual([180, 103, 154, 180, 180, 180]);
  expect(weeklyLoad(calendar(), [])).toEqual([]);
  // One drop alone has four weeks.
  expect(weeklyLoad(calendar(drop('a', '2026-03-23', ['1'])), [block('1', 280)]).map(({ minutes }) => Math.round(minutes))).toEqual([70, 70, 70, 70]); // prettier-ignore
});

test('a calendar that cannot be is refused at its entry; blocks that are gone are left out', () => {
  const known = new Set(['1', '2']);
  const check = (value: Calendar) => () => checkCalendar(value, known);
  expect(check(calendar(drop('a', '2026-02-30', [])))).toThrow('There is no day 2026-02-30.');
  expect(check(calendar({ ...holiday, until: '2026-04-02' }))).toThrow('It ends before it begins.');
  expect(check(calendar({ ...holiday, until: '2027-05-01' }))).toThrow('more than a year');
  expect(check(calendar(drop('a', '2026-04-08', ['1']), drop('b', '2026-05-08', ['1'])))).toThrow('A block is in “Drop a” and in “Drop b”.'); // prettier-ignore
  expect(check(calendar(meeting, meeting))).toThrow('“Circle” is there twice.');
  expect(check({ ...calendar(), timeZone: 'Mars/North' })).toThrow('“Mars/North” is no time zone.');
  expect(check(calendar(drop('a', '2026-04-08', ['1', 'gone'])))()).toEqual(calendar(drop('a', '2026-04-08', ['1']))); // prettier-ignore
});

test('suppliers have their own days before packing begins; two of one name are refused; sets that share a block are one', () => {
  const own = { ...calendar(drop('a', '2026-04-08', ['1'])), suppliers: [{ name: 'Mill Lane Yard', leadDays: 21 }] };
  const orders = agendaOf(own, [block('1', 300)]).filter(({ kind }) => kind === 'order');
  const packing = agendaOf(own, [block('1', 300)]).find(({ kind }) => kind === 'packing')!.day;
  expect(orders.map(({ title, day }) => [title, daysBetween(day, packing)])).toEqual([['Order from Mill Lane Yard for Drop a', 21], ['Order cloth for Drop a', 10]]);
  // The usual order is known by its drop alone: Today looks for it by that.
  expect(orders.map(({ id }) => id)).toEqual(['a-order-Mill Lane Yard', 'a-order']);
  const known = new Set(['1', '2', '3', '4']);
  expect(() => checkCalendar({ ...own, suppliers: [{ name: 'Mill', leadDays: 1 }, { name: 'MILL', leadDays: 2 }] }, known)).toThrow('there twice among the suppliers');
  expect(checkCalendar({ ...own, together: [['1', '2'], ['3', 'gone'], ['2', '4']] }, known).together).toEqual([['2', '4', '1']]);
  expect(checkCalendar({ ...own, together: [['3', 'gone']] }, known)).not.toHaveProperty('together');
}); // prettier-ignore

test('supposed weeks are shared out, days of the week kept; first, fixed and past drops stay; learnt standards count by their work', () => {
  const own = calendar(drop('a', '2026-03-02', ['1']), drop('b', '2026-03-30', ['2']), drop('c', '2026-04-27', ['3'], true), drop('d', '2026-05-25', ['4']));
  const what = { hoursPerWeek: 5, times: 1.5, weeksMore: 4, without: ['4'] };
  const supposed = suppose(own, [block('1', 100), block('4', 60)], what, '2026-03-05');
  expect(dropsOf(supposed.calendar).map(({ day, blocks }) => [day, ...blocks])).toEqual([['2026-03-02', '1'], ['2026-04-06', '2'], ['2026-04-27', '3'], ['2026-06-15']]);
  // As long as those before in the mean, and four weeks more.
  expect([supposed.calendar.endsOn, supposed.calendar.hoursPerWeek]).toEqual(['2026-07-20', 5]);
  expect(supposed.blocks.map(({ minutes }) => minutes)).toEqual([150, 0]);
  expect(suppose(own, [], { ...what, weeksMore: 0 }, '2026-03-05').calendar.endsOn).toBeUndefined();
  expect(dropsOf(suppose(own, [], what, '2026-04-20').calendar)[1]!.day).toBe('2026-03-30');
  const [one] = reckoned([{ ...block('1', 100), minutesOf: { join: 60, glue: 40 } }], { join: 0.5, starch: 3 });
  expect(one!.minutes).toBe(70);
}); // prettier-ignore

test('a calendar goes by other names: blocks and dates of groups that have none are left out', () => {
  const own = { ...calendar(drop('a', '2026-03-02', ['1', '2']), { ...drop('b', '2026-03-30', []), group: 'g' }, { ...meeting, group: 'h' }), together: [['1', '2']] };
  const found = renamed(own, (id) => (id === '1' ? 'Star' : undefined), (id) => (id === 'g' ? 'Mondays' : undefined));
  expect(found.entries).toEqual([drop('a', '2026-03-02', ['Star']), { ...drop('b', '2026-03-30', []), group: 'Mondays' }]);
  expect(found.together).toEqual([['Star']]);
}); // prettier-ignore

/**
 * The lightest heaviest stretch over every way of putting blocks into drops and drops on days, drops at least a week apart.
 * @param step 7 where drops keep their weekday
 * @param isPair whether the first two blocks go into one drop
 */
function flattest(
  minutes: readonly number[],
  drops: number,
  days: number,
  step: number,
  isPair: boolean,
): number {
  let best = Infinity;
  const put = (block: number, sums: readonly number[], first = 0) => {
    if (block < minutes.length) {
      sums.forEach((_, to) => {
        if (isPair && block === 1 && to !== first) return;
        put(block + 1, sums.map((sum, at) => (at === to ? sum + minutes[block]! : sum)), block === 0 ? to : first); // prettier-ignore
      });
    } else if (sums.every((sum) => sum > 0)) split(sums, 0, days, 0);
  };
  const split = (sums: readonly number[], at: number, left: number, worst: number) => {
    if (at === drops - 1) best = Math.min(best, Math.max(worst, (7 * sums[at]!) / left));
    else
      for (let own = 7; own <= left - 7 * (drops - 1 - at); own += step)
        split(sums, at + 1, left - own, Math.max(worst, (7 * sums[at]!) / own));
  };
  put(0, Array(drops).fill(0));
  return best;
}

test('levelling comes within a hundredth of trying every choice of blocks and days; weekdays and what belongs together are kept, nothing before today or fixed moves', () => {
  const minutes = fc.array(fc.integer({ min: 30, max: 600 }), { minLength: 3, maxLength: 6 });
  fc.assert(
    fc.property(minutes, fc.integer({ min: 2, max: 3 }), fc.boolean(), fc.boolean(), (list, count, isAnyWeekday, isPair) => {
      const blocks = list.map((one, index) => block(String(index), one));
      const days = Array.from({ length: count }, (_, index) => plusDays('2026-03-02', 21 * index));
      const drops = days.map((day, index) => drop(`d${index}`, day, blocks.filter((_, at) => at % count === index).map(({ id }) => id))); // prettier-ignore
      const found = levelCalendar({ ...calendar(...drops, ...(isAnyWeekday ? [holiday] : [])), isAnyWeekday, ...(isPair ? { together: [['0', '1']] } : {}) }, blocks, '2026-01-01', solver, 5);
      const after = dropsOf(found.calendar);
      expect(after.flatMap((one) => one.blocks).sort()).toEqual(blocks.map(({ id }) => id).sort());
      expect(after[0]!.day).toBe(days[0]);
      expect(found.after).toBe(peakLoad(found.calendar, blocks));
      if (!isPair) expect(found.after).toBeLessThanOrEqual(found.before);
      const isTogether = (id: string) => after.find((one) => one.blocks.includes(id));
      if (isPair) expect(isTogether('0')).toBe(isTogether('1'));
      if (!isAnyWeekday) expect(after.every(({ day }, index) => daysBetween(days[index]!, day) % 7 === 0)).toBe(true);
      // Four days of the holiday are no sewing days.
      const span = 21 * count - (!isAnyWeekday ? 0 : count === 2 && days[1]! > '2026-04-06' ? 4 : plusDays('2026-03-02', 21 * count) > '2026-04-06' ? 4 : 0);
      expect(found.after).toBeLessThanOrEqual(flattest(list, count, span, isAnyWeekday ? 1 : 7, isPair) * 1.01 + 0.01);
      expect(found.isProven).toBe(true);
    }),
    { numRuns: 16 },
  );
  const blocks = [block('1', 100), block('2', 500), block('3', 900), block('4', 60)];
  const plan = calendar(drop('a', '2026-03-02', ['1']), drop('b', '2026-03-23', ['2', '3'], true), drop('c', '2026-04-27', [])); // prettier-ignore
  const later = levelCalendar(plan, blocks, '2026-03-10', solver, 5);
  const [a, b, c] = dropsOf(later.calendar);
  expect([a, b!.day]).toEqual([dropsOf(plan)[0], '2026-03-23']);
  // Block 4 was in no drop: now it is in one.
  expect([...b!.blocks, ...c!.blocks].sort()).toEqual(['2', '3', '4']);
  expect(later.after).toBeLessThan(later.before);
}); // prettier-ignore

test('of layouts that weigh the same the one is taken that leaves most blocks, and every date, where they are', () => {
  const names = ['1', '2', '3', '4', '5', '6'];
  const own = calendar(drop('a', '2026-03-02', ['6', '2']), drop('b', '2026-03-16', ['5']), drop('c', '2026-03-30', ['4', '1']));
  const { calendar: after } = levelCalendar({ ...own, endsOn: '2026-04-13' }, names.map((name) => block(name, 60)), '2026-01-01', solver, 5);
  // Only the block that was in no drop had to go somewhere.
  expect(dropsOf(after).map(({ day, blocks }) => [day, [...blocks].sort()])).toEqual([['2026-03-02', ['2', '6']], ['2026-03-16', ['3', '5']], ['2026-03-30', ['1', '4']]]);
}); // prettier-ignore

test('before the start half a group has sewn what its middle sews, fewer what takes longer', () => {
  expect(shareInTime(360, 2, 3)).toBeCloseTo(0.5, 9);
  // One and a half times the middle: ln 1.5 is 0.676 spreads above it.
  expect(shareInTime(540, 2, 3)).toBeCloseTo(0.2496, 2);
  expect(shareInTime(180, 2, 3)).toBeCloseTo(0.8762, 2);
  expect([shareInTime(0, 0, 3), shareInTime(10, 0, 3)]).toEqual([1, 0]);
  expect(shareInTime(360, 3, 3)).toBeGreaterThan(0.5);
  const closed: Holiday = { ...holiday, day: '2026-03-23', until: '2026-03-29' };
  const own = calendar(drop('1', '2026-03-02', ['a']), drop('2', '2026-03-16', ['b']), closed);
  const told = earlyShares({ ...own, endsOn: '2026-04-06' }, [block('a', 360), block('b', 360)]);
  // Two weeks for six hours; then four weeks, one of them free, for twelve.
  expect(told.map(({ minutes, weeks }) => [minutes, weeks])).toEqual([[360, 2], [720, 4]]);
  expect(told.map(({ share }) => share)).toEqual([shareInTime(360, 2, 3), shareInTime(720, 4, 3)]);
}); // prettier-ignore

test('groups have dates of their own: a block once in each, packing for their bags, none of another’s', () => {
  const at = (id: string, day: Day, group?: string): Drop => ({ kind: 'drop', id, day, title: id, blocks: ['b'], isFixed: false, ...(group ? { group } : {}) }); // prettier-ignore
  const own = (...entries: Drop[]): Calendar => ({ ...EMPTY_CALENDAR, entries });
  const known = new Set(['b']);
  const both = checkCalendar(own(at('x', '2026-03-01', 'g'), at('y', '2026-04-01', 'h')), known);
  expect(() => checkCalendar(own(at('x', '2026-03-01', 'g'), at('y', '2026-04-01', 'g')), known)).toThrow(/A block is in/);
  expect(() => checkCalendar(own(at('x', '2026-03-01', 'g'), at('y', '2026-04-01')), known)).toThrow(/A block is in/);
  expect([forGroup(both, 'g'), forGroup(both, 'h'), forGroup(both, null)].map(({ entries }) => entries.map(({ id }) => id))).toEqual([['x'], ['y'], []]);
  const work = { id: 'b', name: 'B', minutes: 60, bags: 7, bagsOf: { g: 2 }, pieces: 10 };
  const packing = agendaOf(both, [work]).filter(({ kind }) => kind === 'packing');
  expect(packing.map(({ entry, reason }) => [entry, reason.split(',')[0]])).toEqual([['x', '2 bags']]);
  const moved = withEntriesOf(both, { ...both, entries: [at('y', '2026-05-01', 'h')] });
  expect(moved.entries.map(({ id, day }) => [id, day])).toEqual([['x', '2026-03-01'], ['y', '2026-05-01']]);
}); // prettier-ignore
