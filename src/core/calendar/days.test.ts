import { tz } from '@date-fns/tz';
import { addDays, differenceInCalendarDays, format, parseISO, startOfISOWeek } from 'date-fns';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { daysBetween, isDay, mondayOf, plusDays } from '.';

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

test('what is no day has no day after it', () => {
  expect(() => plusDays('28 March 2026 or so', 1)).toThrow(RangeError);
});
