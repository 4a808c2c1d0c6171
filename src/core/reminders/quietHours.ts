import { TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns';

/** Wall clock between which nobody is written to, `21:00` to `08:00`; where both are the same there is no such time. */
export interface QuietHours {
  readonly from: string;
  readonly to: string;
}

export const USUAL_QUIET: QuietHours = { from: '20:00', to: '08:00' };

/**
 * The first moment from now on at which it is not quiet where someone lives.
 * @param now ms since 1970
 * @param timeZone an IANA name
 */
export function afterQuiet(now: number, timeZone: string, { from, to }: QuietHours): number {
  const local = new TZDate(now, timeZone);
  const at = 60 * local.getHours() + local.getMinutes();
  const [begin, end] = [minutesOf(from), minutesOf(to)];
  const isOverNight = begin > end;
  const isQuiet = isOverNight ? at >= begin || at < end : at >= begin && at < end;
  if (!isQuiet) return now;
  const morning = isOverNight && at >= begin ? addDays(local, 1) : local;
  const [hour, minute] = [Math.floor(end / 60), end % 60];
  return new TZDate(morning.getFullYear(), morning.getMonth(), morning.getDate(), hour, minute, timeZone).getTime();
} // prettier-ignore

function minutesOf(clock: string): number {
  const [hour = 0, minute = 0] = clock.split(':').map(Number);
  return 60 * hour + minute;
}
