import { counted } from './counted';

/** How far a day lies from today: `today`, `in 3 days`, `1 day ago`. */
export function inDays(days: number): string {
  if (days === 0) return 'today';
  return days > 0 ? `in ${counted(days, 'day')}` : `${counted(-days, 'day')} ago`;
}
