/**
 * Drops, meetings and holidays of a project, and what follows from them: when to order and pack, how much there is to sew in a week,
 * and how blocks and days are chosen so that no week is too heavy. Days are days, in no time zone; only meetings have a wall clock.
 */
export { agendaOf, packingMinutes, reckoned, type AgendaItem, type BlockWork } from './agenda';
export {
  CALENDAR_LIMITS,
  EMPTY_CALENDAR,
  checkCalendar,
  dropsOf,
  forGroup,
  holidaysOf,
  isSameGroup,
  withEntriesOf,
  isTimeZone,
  ownMinutes,
  type Calendar,
  type CalendarEntry,
  type Drop,
  type Holiday,
  type Meeting,
  type Supplier,
} from './calendar';
export { dayAt, dayWords, daysBetween, forecastWords, isDay, mondayOf, plusDays, type Day } from './days';
export { earlyShares, type EarlyShare } from './earlyShares';
export { levelCalendar, type Levelled } from './level';
export { renamed } from './renamed';
export { suppose, type Supposition } from './suppose';
export { dropMinutes, endsOf, peakLoad, weeklyLoad, type WeekLoad } from './load';
