import { itemAt, lastOf } from '../lists';
import type { Limit, Solver, WholeProblem } from '../solver';
import type { BlockWork } from './agenda';
import { dropsOf, holidaysOf, isHoliday, type Calendar, type Drop } from './calendar';
import { daysBetween, type Day } from './days';
import { daysFrom, dropMinutes, endsOf, peakLoad } from './load';

export interface Levelled {
  readonly calendar: Calendar;
  /** Standard minutes a week in the heaviest stretch, before and after. */
  readonly before: number;
  readonly after: number;
  /** Whether no choice of days and blocks is flatter by more than a hundredth. */
  readonly isProven: boolean;
}

/** Drops stay at least so many sewing days apart. */
const LEAST_DAYS = 7;
/** The flattest load is found to within this share. */
const CLOSE = 0.005;
/** Where blocks are in no drop yet, the load is raised from the present one so often at most, by half each time. */
const RAISES = 12;

/** What may be changed. Days are counted in sewing days from the first drop on: holidays are left out. */
interface Stretch {
  readonly drops: readonly Drop[];
  readonly days: readonly Day[];
  /** The present place of each drop, and last the end of all. */
  readonly places: readonly number[];
  /** Whether a drop may get other blocks. */
  readonly isOpen: readonly boolean[];
  /** By drop: the places to which it may move, none where it stays. */
  readonly targets: readonly (readonly number[])[];
  /** Whether they are all places from the first drop to the end. */
  readonly isAnyWeekday: boolean;
  /** Sets of free blocks, by index, that go into one drop. */
  readonly together: readonly (readonly number[])[];
  /** Blocks that may go into any open drop; those of the others stay. */
  readonly free: readonly BlockWork[];
  readonly keptMinutes: readonly number[];
}

/**
 * Puts blocks into drops and moves drops so that the heaviest stretch is as light as can be: a bisection over the load, each step an
 * integer program (which block in which drop, each drop on which sewing day). Drops before today keep their day and their blocks, fixed
 * ones their day; the others their day of the week, unless the calendar says that any will do; what belongs together stays so; the end
 * of the last stays where it is. Of equally flat choices days are kept where they can be, then blocks.
 * @param seconds for each of the ten to twenty programs
 */
export function levelCalendar(
  calendar: Calendar,
  blocks: readonly BlockWork[],
  today: Day,
  solver: Solver,
  seconds: number,
): Levelled {
  const before = peakLoad(calendar, blocks);
  const stays = { calendar, before, after: before };
  const stretch = stretchOf(calendar, blocks, today);
  if (!stretch.isOpen.includes(true) || stretch.free.length === 0) return { ...stays, isProven: true };
  const solve = (load: number, staying = false, moving = true) =>
    solver.solve(programOf(moving ? stretch : { ...stretch, targets: stretch.targets.map(() => []) }, load, staying), seconds); // prettier-ignore
  let [low, high, isProven] = [0, Math.max(1, before) * (1 + CLOSE), true];
  let best = solve(high).values;
  for (let raise = 0; raise < RAISES && best === undefined; raise++) {
    high *= 1.5;
    best = solve(high).values;
  }
  while (best !== undefined && high > low * (1 + CLOSE)) {
    const middle = low === 0 ? high * 0.7 : (low + high) / 2;
    const { values, isImpossible } = solve(middle);
    if (values !== undefined) [best, high] = [values, middle];
    else [low, isProven] = [middle, isProven && isImpossible];
    if (high < 1) break;
  }
  if (best === undefined) return { ...stays, isProven: false };
  const [held, moved] = [solve(high * (1 + CLOSE), true, false).values, solve(high * (1 + CLOSE / 2), true).values];
  const after = applied(calendar, stretch, held ?? moved ?? best, held === undefined);
  const peak = peakLoad(after, blocks);
  const { free, drops, together } = stretch;
  // What is in no drop, or not where it belongs, is put there whatever that weighs.
  const isLoose = free.some((block) => dropWith(drops, block) === undefined) || together.some((set) => new Set(set.map((block) => dropWith(drops, itemAt(free, block)))).size > 1);
  const isBetter = peak < before * (1 - CLOSE) || isLoose;
  return isBetter ? { calendar: after, before, after: peak, isProven } : { ...stays, isProven };
} // prettier-ignore

const dropWith = (drops: readonly Drop[], { id }: BlockWork) =>
  drops.find(({ blocks }) => blocks.includes(id));

function stretchOf(calendar: Calendar, blocks: readonly BlockWork[], today: Day): Stretch {
  const drops = dropsOf(calendar);
  const holidays = holidaysOf(calendar);
  const first = drops[0]?.day ?? today;
  const end = drops.length > 0 ? lastOf(endsOf(calendar)) : today;
  const days = daysFrom(first, end).filter((day) => !isHoliday(holidays, day));
  // A drop on a holiday counts as the next sewing day.
  const places = [...drops.map(({ day }) => placeOf(days, day)), days.length];
  const isOpen = drops.map(({ day }) => day >= today);
  const kept = new Set(drops.flatMap(({ blocks: own }, index) => (itemAt(isOpen, index) ? [] : own)));
  const free = blocks.filter(({ id }) => !kept.has(id));
  const { isAnyWeekday = false } = calendar;
  const targetsOf = ({ day, isFixed }: Drop, index: number) =>
    index === 0 || !itemAt(isOpen, index) || isFixed ? [] : days.flatMap((to, place) => (isAnyWeekday || daysBetween(day, to) % 7 === 0 ? [place] : []));
  return {
    drops,
    days,
    places,
    isOpen,
    targets: drops.map(targetsOf),
    isAnyWeekday,
    together: (calendar.together ?? []).map((set) => free.flatMap(({ id }, index) => (set.includes(id) ? [index] : []))),
    free,
    keptMinutes: drops.map((drop, index) => (itemAt(isOpen, index) ? 0 : dropMinutes(drop, blocks))),
  };
} // prettier-ignore

const placeOf = (days: readonly Day[], day: Day) => {
  const at = days.findIndex((one) => one >= day);
  return at < 0 ? days.length : at;
};

/** Whether all can be sewn at a load: variables are block × open drop, then the place of each drop, then drop × place that it may move to. */
function programOf(stretch: Stretch, load: number, staying: boolean): WholeProblem {
  const { drops, free, isOpen, targets, places, keptMinutes, together } = stretch;
  const open = openOf(stretch);
  const placeAt = (index: number) => free.length * open.length + index;
  const moves = stretch.isAnyWeekday ? [] : targets.flatMap((own, drop) => own.map((place) => ({ drop, place })));
  const firstMove = placeAt(drops.length);
  const gains = [
    ...free.flatMap((block) =>
      open.map((drop) => (staying && dropWith(drops, block) === itemAt(drops, drop) ? 1 : 0)),
    ),
    ...drops.map(() => 0),
    ...moves.map(() => 0),
  ];
  const upper = [...free.flatMap(() => open.map(() => 1)), ...drops.map(() => lastOf(places)), ...moves.map(() => 1)];
  const once = free.map((_, block): Limit => ({ variables: open.map((_, k) => block * open.length + k), most: 1, isExact: true })); // prettier-ignore
  const set = drops.flatMap((_, index): Limit[] => {
    const own = moves.flatMap(({ drop }, move) => (drop === index ? [firstMove + move] : []));
    if (itemAt(targets, index).length === 0) return [{ variables: [placeAt(index)], most: itemAt(places, index), isExact: true }];
    if (own.length === 0) return [];
    return [
      { variables: own, most: 1, isExact: true },
      { variables: [placeAt(index), ...own], weights: [1, ...itemAt(targets, index).map((place) => -place)], most: 0, isExact: true },
    ];
  });
  const joined = together.flatMap((blocks) => blocks.slice(1).flatMap((block, before) => open.map((_, k): Limit => (
    { variables: [block * open.length + k, itemAt(blocks, before) * open.length + k], weights: [1, -1], most: 0, isExact: true }
  ))));
  const limits = drops.flatMap((_, index): Limit[] => {
    const isLast = index === drops.length - 1;
    const own = isOpen[index] ? free.map((_, block) => block * open.length + open.indexOf(index)) : [];
    const between = isLast ? [placeAt(index)] : [placeAt(index), placeAt(index + 1)];
    const signs = isLast ? [1] : [1, -1];
    const end = isLast ? lastOf(places) : 0;
    const canMove = [index, index + 1].some((one) => (targets[one]?.length ?? 0) > 0);
    return [
      { variables: [...own, ...between], weights: [...own.map((_, block) => (own.length > 0 ? 7 * itemAt(free, block).minutes : 0)), ...signs.map((sign) => sign * load)], most: load * end - 7 * itemAt(keptMinutes, index) },
      // Drops that stand closer by their fixed days may.
      ...(canMove ? [{ variables: between, weights: signs, most: end - LEAST_DAYS }] : []),
      // A drop without a block is none, as long as there are enough.
      ...(own.length > 0 && free.length - joined.length / open.length >= open.length ? [{ variables: own, weights: own.map(() => -1), most: -1 }] : []),
    ];
  }); // prettier-ignore
  return { gains, upper, limits: [...once, ...set, ...joined, ...limits] };
} // prettier-ignore

const openOf = ({ drops, isOpen }: Stretch) => drops.flatMap((_, index) => (isOpen[index] ? [index] : []));

function applied(calendar: Calendar, stretch: Stretch, values: readonly number[], isMoved: boolean): Calendar {
  const { drops, free, days, targets } = stretch;
  const open = openOf(stretch);
  const changed = new Map(drops.map((drop, index): [string, Drop] => {
    const column = open.indexOf(index);
    if (column < 0) return [drop.id, drop];
    const blocks = free.flatMap(({ id }, block) => (values[block * open.length + column] === 1 ? [id] : []));
    const day = isMoved && itemAt(targets, index).length > 0 ? (days[itemAt(values, free.length * open.length + index)] ?? drop.day) : drop.day;
    return [drop.id, { ...drop, day, blocks }];
  }));
  const endsOn = lastOf(endsOf(calendar));
  return { ...calendar, endsOn, entries: calendar.entries.map((entry) => changed.get(entry.id) ?? entry) };
} // prettier-ignore
