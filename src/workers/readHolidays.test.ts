import { expect, test } from 'vitest';
import { readHolidays } from './readHolidays';

const ics = (...events: string[]) => ['BEGIN:VCALENDAR', 'VERSION:2.0', ...events.map((one) => `BEGIN:VEVENT\n${one}\nEND:VEVENT`), 'END:VCALENDAR'].join('\n').replace(/\n/g, '\r\n'); // prettier-ignore

test('holidays are read from a file: whole days, repeated ones within the days asked for, hostile ones no further', () => {
  const read = (text: string) => readHolidays(text, '2026-01-01', '2027-12-31');
  const file = ics(
    'DTSTART;VALUE=DATE:20261224\nDTEND;VALUE=DATE:20270102\nSUMMARY:Turn of the year',
    'DTSTART;VALUE=DATE:20200501\nRRULE:FREQ=YEARLY\nSUMMARY:May Day',
    'DTSTART:20260401T100000Z\nSUMMARY:A dentist',
    'DTSTART;VALUE=DATE:20261111\nSUMMARY: ',
  );
  expect(read(file)).toEqual([
    { day: '2026-05-01', until: '2026-05-01', title: 'May Day' },
    { day: '2026-11-11', until: '2026-11-11', title: 'Holiday' },
    { day: '2026-12-24', until: '2027-01-01', title: 'Turn of the year' },
    { day: '2027-05-01', until: '2027-05-01', title: 'May Day' },
  ]);
  // Every second for ever, and every day since long ago: looked at a while, then left.
  expect(read(ics('DTSTART;VALUE=DATE:20260101\nRRULE:FREQ=SECONDLY')).length).toBeLessThanOrEqual(1);
  expect(read(ics(...Array(200).fill('DTSTART;VALUE=DATE:18000101\nRRULE:FREQ=DAILY')))).toEqual([]);
  for (const [text, what] of [
    ['hello', 'no iCalendar file'],
    [ics(...Array(5001).fill('DTSTART;VALUE=DATE:20260101')), '5001 events'],
    [ics(...Array(301).fill('DTSTART;VALUE=DATE:20260101')), '301 holidays'],
  ] as const)
    expect(() => read(text)).toThrow(what);
});
