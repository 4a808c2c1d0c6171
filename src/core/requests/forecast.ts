import { isValid, parseISO } from 'date-fns';
import { DAY_MS, forecastGroup, type Forecast, type FreeTime, type MakerHistory } from '../pace';
import { checkDistinct, listAt, numberAt, recordAt, refuse, requestOf, textAt } from './read';

const MOST_MAKERS = 5000;
const MOST_ENTRIES = 50_000;
const MOST_MINUTES = 1e6;
const MOST_HOLIDAYS = 1000;

export interface ForecastRequest {
  readonly now: number;
  readonly makers: readonly MakerHistory[];
  /** Whole days on which nobody is expected to sew. */
  readonly free: readonly FreeTime[];
}

/** Reads a `kevlo.forecast-request/1`. @throws InvalidInputError `request` */
export function readForecastRequest(text: string): ForecastRequest {
  const request = requestOf(text, 'kevlo.forecast-request/1');
  const makers = listAt(request.makers, 'makers', MOST_MAKERS).map((value, index) => readMaker(value, `makers[${index}]`)); // prettier-ignore
  checkDistinct(makers.map(({ id }) => id), 'makers'); // prettier-ignore
  const free = listAt(request.holidays ?? [], 'holidays', MOST_HOLIDAYS).map((value, index) => readHoliday(value, `holidays[${index}]`)); // prettier-ignore
  return { now: timeAt(request.now, 'now'), makers, free };
}

function readHoliday(value: unknown, place: string): FreeTime {
  const holiday = recordAt(value, place);
  const [from, last] = [dayAt(holiday.from, `${place}.from`), dayAt(holiday.until, `${place}.until`)];
  if (last < from) refuse(`${place}.until`, 'it ends before it begins.', 'Exchange the two days.');
  return { from, to: last + DAY_MS };
}

function readMaker(value: unknown, place: string): MakerHistory {
  const maker = recordAt(value, place);
  return {
    id: textAt(maker.id, `${place}.id`),
    since: timeAt(maker.since, `${place}.since`),
    left: numberAt(maker.left, `${place}.left`, { least: 0, most: MOST_MINUTES }),
    work: listAt(maker.work, `${place}.work`, MOST_ENTRIES).map((entry, index) => {
      const at = `${place}.work[${index}]`;
      const { at: time, standardMinutes } = recordAt(entry, at);
      return {
        at: timeAt(time, `${at}.at`),
        minutes: numberAt(standardMinutes, `${at}.standardMinutes`, { least: 0, most: MOST_MINUTES }),
      };
    }),
  };
}

const DATE = /^\d{4}-\d{2}-\d{2}$/;
const TIME = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d{1,9})?)?(Z|[+-]\d{2}:?\d{2})?$/;

/** The begin of a day, ms, UTC. */
function dayAt(value: unknown, place: string): number {
  if (typeof value !== 'string' || !DATE.test(value)) return refuse(place, `${JSON.stringify(value) ?? 'nothing'} is no day.`, 'Write it like 2026-03-28.'); // prettier-ignore
  return timeAt(value, place);
}

/** A date or a time, ms; without a zone it is UTC. */
function timeAt(value: unknown, place: string): number {
  if (typeof value !== 'string' || !(DATE.test(value) || TIME.test(value)))
    return refuse(place, `${value === undefined ? 'nothing' : JSON.stringify(value)} is no time.`, 'Write it like 2026-03-28 or 2026-03-28T18:30:00Z.'); // prettier-ignore
  const zone = DATE.test(value) ? 'T00:00:00Z' : /(Z|[+-]\d{2}:?\d{2})$/.test(value) ? '' : 'Z';
  const time = parseISO(`${value}${zone}`);
  if (!isValid(time)) return refuse(place, `there is no ${value}.`, 'Look at the day and the hour.');
  return time.getTime();
}

/** Forecasts the makers of a request. */
export function forecast({ makers, now, free }: ForecastRequest): Forecast[] {
  return forecastGroup(makers, now, free);
}

/** The answer as a `kevlo.forecast-result/1`. */
export function forecastResult(found: readonly Forecast[]): object {
  const makers = found.map(({ id, state, reason, date50, date80, weekly }) => ({
    id,
    state,
    reason,
    date50: dateOf(date50),
    date80: dateOf(date80),
    weekly: Math.round(weekly * 10) / 10,
  }));
  return { format: 'kevlo.forecast-result/1', makers };
}

const dateOf = (day: number) => new Date(Math.floor(day / DAY_MS) * DAY_MS).toISOString().slice(0, 10);
