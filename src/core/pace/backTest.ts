import { itemAt } from '../lists';
import { forecastGroup } from './forecast';
import { sewingClock, type FreeTime } from './sewingClock';
import { DAY_MS, type MakerHistory } from './weeks';

/** How past forecasts turned out. */
export interface BackTest {
  /** Forecasts whose date has come. */
  readonly asked: number;
  readonly held: number;
}

/** From one look back to the next, days; nothing is asked before a group has sewn for so long. */
const EVERY_DAYS = 14;
/** What is asked each time: when will the next three weeks' worth be sewn? */
const WEEKS_AHEAD = 3;

/**
 * Goes back fortnight by fortnight, forecasts from what was known then when each maker would have sewn three more weeks' worth, and
 * counts how many of the dates at 80 % held. Dates that lie ahead still are not counted, whether they will hold or not.
 */
export function backTest(
  makers: readonly MakerHistory[],
  now: number,
  free: readonly FreeTime[] = [],
): BackTest {
  // Told by a clock that stands still in free time, dates hold or not as they do by the wall clock.
  const clock = sewingClock(free);
  return lookBack(makers.map(clock.ofHistory), clock.at(now));
}

function lookBack(makers: readonly MakerHistory[], now: number): BackTest {
  let [asked, held] = [0, 0];
  const first = Math.min(...makers.map(({ since }) => since));
  for (
    let then = now - EVERY_DAYS * DAY_MS;
    then >= first + EVERY_DAYS * DAY_MS;
    then -= EVERY_DAYS * DAY_MS
  ) {
    const known = makers.flatMap((maker) => {
      const work = maker.work.filter(({ at }) => at <= then);
      return maker.since <= then && work.length > 0 ? [{ ...maker, work, left: 0 }] : [];
    });
    if (known.length === 0) continue;
    const paces = forecastGroup(known, then);
    const asking = known.map((maker, index) => ({
      ...maker,
      left: WEEKS_AHEAD * itemAt(paces, index).weekly,
    }));
    forecastGroup(asking, then).forEach(({ id, date80, state }, index) => {
      if (date80 + DAY_MS > now || state === 'stalled') return;
      const maker = makers.find((one) => one.id === id);
      const sewn = (maker?.work ?? []).reduce((sum, { at, minutes }) => (at > then && at < date80 + DAY_MS ? sum + minutes : sum), 0); // prettier-ignore
      // Who has sewn all of their blocks before has kept the date as well.
      const isDone = (maker?.left ?? 0) <= 0;
      asked += 1;
      if (isDone || sewn >= itemAt(asking, index).left) held += 1;
    });
  }
  return { asked, held };
}
