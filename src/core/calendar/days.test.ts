import { tz } from '@date-fns/tz';
import { addDays, differenceInCalendarDays, format, parseISO, startOfISOWeek } from 'date-fns';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { daysBetween, forecastWords, isDay, mondayOf, plusDays } from '.';

test('days are reckoned as by the calendar of a library, whatever the day and however far', () => {
  const zone = { in: tz('UTC') };
  const day = fc
    .date({ min: new Date('1999-12-01T00:00Z'), max: new Date('2401-01-31T00:00Z'), noInvalidDate: true })
    .map((time) => time.toISOString().slice(0, 10));
  fc.assert(
    fc.property(day, fc.integer({ min: -4000, max: 4000 }), (from, days) => {
      const to = plusDays(from, days);
      expect(to).toBe(format(addDays(parseISO(from, zone), days), 'yyyy-MM-dd'));
      expect(mondayOf(to)).toBe(format(startOfISOWeek(parseISO(to, zone)), 'yyyy-MM-dd'));
      expect([daysBetween(from, to), daysBetween(to, from)]).toEqual([days, days === 0 ? 0 : -days]);
      expect(differenceInCalendarDays(parseISO(to, zone), parseISO(from, zone), zone)).toBe(days);
      expect(isDay(to)).toBe(true);
    }),
    { numRuns: 300 },
  );
});

test('every day of a leap year and of another is one, what is beyond a month is none', () => {
  for (const year of ['2027', '2028']) {
    const days = Array.from({ length: 13 * 32 }, (_, i) => `${year}-${String(Math.floor(i / 32)).padStart(2, '0')}-${String(i % 32).padStart(2, '0')}`);
    expect(days.filter(isDay).length).toBe(year === '2028' ? 366 : 365);
  }
  for (const text of ['', '28 March', '2026-3-1', '2026-03-28T10:00', ' 2026-03-28', '0000-00-00', '0000-01-01']) expect(isDay(text)).toBe(false);
}); // prettier-ignore

test('what is no day has no day after it', () => {
  expect(() => plusDays('28 March 2026 or so', 1)).toThrow(RangeError);
});

test('what is only reckoned is told to the day while that can be believed, then to the month, then to the year', () => {
  const ahead = (days: number) => forecastWords(plusDays('2026-11-29', days), '2026-11-29');
  expect([-3, 92, 93, 730, 731].map(ahead)).toEqual([
    'Thu 26 Nov 2026',
    'Mon 1 Mar 2027',
    'Mar 2027',
    'Nov 2028',
    '2028',
  ]);
});
