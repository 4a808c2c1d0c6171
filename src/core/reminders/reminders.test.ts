import fc from 'fast-check';
import { expect, test } from 'vitest';
import { EMPTY_CALENDAR, type Calendar, type Drop, type Meeting } from '../calendar';
import { FIELDS, OCCASIONS, USUAL_TEXTS, afterQuiet, checkTexts, dueReminders, fillText } from '.';
import type { MakerFacts } from '.';

const drop: Drop = { id: 'd2', kind: 'drop', day: '2026-03-14', title: 'Drop 2', blocks: ['kelp', 'wake'], isFixed: false, note: 'Bring freezer paper.' }; // prettier-ignore
const first: Drop = {
  id: 'd1',
  kind: 'drop',
  day: '2026-02-14',
  title: 'Drop 1',
  blocks: ['lamp'],
  isFixed: false,
};
const meeting: Meeting = { id: 'm', kind: 'meeting', day: '2026-02-26', title: 'Evening', at: '18:30', minutes: 90, place: 'Back room', everyWeeks: 2, times: 3 }; // prettier-ignore
const calendar: Calendar = { ...EMPTY_CALENDAR, entries: [drop, first] };
const blocks = [{ id: 'lamp', name: 'Lamp' }, { id: 'kelp', name: 'Kelp' }, { id: 'wake', name: 'Wake' }]; // prettier-ignore
const ann: MakerFacts = { id: 'ann', name: 'Ann', blocks: ['lamp', 'kelp'], finished: [], isStuck: false, state: 'on-pace', reason: '', left: 90, next: 'Baste 12 diamonds.' }; // prettier-ignore

const due = (today: string, maker: Partial<MakerFacts> = {}, own = calendar) =>
  dueReminders({
    project: 'Night',
    shop: 'Wherry',
    calendar: own,
    blocks,
    makers: [{ ...ann, ...maker }],
    today,
  });

test('a drop is told a week before, with own blocks and what is open from before; not to whom it brings nothing', () => {
  expect(due('2026-03-06')).toEqual([]);
  const [told] = due('2026-03-07');
  expect(told).toMatchObject({
    occasion: 'drop',
    key: 'drop/d2/2026-03-14',
    reason: 'Drop 2 is on Sat 14 Mar 2026.',
  });
  expect(told?.values).toMatchObject({ blocks: 'Kelp', open: 'Lamp', note: 'Bring freezer paper.', day: 'Sat 14 Mar 2026' }); // prettier-ignore
  expect(due('2026-03-14')).toHaveLength(1);
  expect(due('2026-03-15')).toEqual([]);
  expect(due('2026-03-07', { blocks: ['lamp'] })).toEqual([]);
  expect(due('2026-03-07', { finished: ['lamp'] })[0]?.values.open).toBeUndefined();
});

test('a meeting is told three days before each time it comes, and a moved date is another cause', () => {
  const own = { ...calendar, entries: [first, meeting] };
  expect(due('2026-03-08', {}, own)).toEqual([]);
  const [told] = due('2026-03-09', {}, own);
  expect(told).toMatchObject({ occasion: 'meeting', key: 'meeting/m/2026-03-12' });
  expect(told?.values).toMatchObject({ meeting: 'Evening', time: '18:30', place: 'Back room', next: 'Baste 12 diamonds' }); // prettier-ignore
  // After its last time it is told no more.
  expect(due('2026-03-27', {}, own)).toEqual([]);
});

test('who slips or is silent is asked once for one cause, where nothing else is told; who is stuck or done never', () => {
  const quiet = { state: 'stalled', reason: 'Two own gaps.', last: '2026-01-30' } as const;
  expect(due('2026-02-20', quiet)).toMatchObject([{ occasion: 'quiet', key: 'quiet/2026-01-30', reason: 'Two own gaps.' }]); // prettier-ignore
  expect(due('2026-02-20', { state: 'slipping' })).toMatchObject([
    { occasion: 'slipping', key: 'slipping/d2' },
  ]);
  expect(due('2026-03-10', quiet).map(({ occasion }) => occasion)).toEqual(['drop']);
  expect(due('2026-02-20', { ...quiet, isStuck: true })).toEqual([]);
  expect(due('2026-02-20', { ...quiet, left: 0.4 })).toEqual([]);
  expect(due('2026-02-20', { ...quiet, left: 0.5 })).toHaveLength(1);
  for (const state of ['ahead', 'on-pace', 'done'] as const) expect(due('2026-02-20', { state })).toEqual([]);
});

test('a line whose field has no value is left out; values are never read as fields', () => {
  const text = {
    subject: '{drop}  is on {day}',
    body: 'Dear {name},\n\n\nopen: {open}.\n\nBring {note}.\n{shop}',
  };
  expect(fillText(text, { name: '{shop}', drop: 'A\nB', day: 'Sunday', shop: 'Wherry', open: '' })).toEqual({
    subject: 'A B is on Sunday',
    body: 'Dear {shop},\n\nWherry',
  });
  for (const today of ['2026-03-10', '2026-02-20'])
    for (const { occasion, values } of due(today, { state: 'stalled' })) {
      const { subject, body } = fillText(USUAL_TEXTS[occasion], values);
      expect(subject + body).not.toMatch(/[{}]|\.\.| {2}|undefined/);
    }
});

test('the usual texts name known fields alone; another is refused with its place', () => {
  expect(checkTexts(USUAL_TEXTS)).toBe(USUAL_TEXTS);
  const wrong = { ...USUAL_TEXTS, quiet: { subject: 'Hello {nmae}', body: '' } };
  expect(() => checkTexts(wrong)).toThrow(expect.objectContaining({ message: 'Nothing is known by the name {nmae}.', place: { name: 'quiet.subject' } })); // prettier-ignore
  const said = OCCASIONS.map((one) => USUAL_TEXTS[one].subject + USUAL_TEXTS[one].body).join('');
  for (const field of Object.keys(FIELDS)) expect(said).toContain(`{${field}}`);
});

test('quiet hours are those where the maker lives, over night and over a change of the clock', () => {
  const hours = { from: '21:00', to: '08:00' };
  const at = (time: string, zone: string, quiet = hours) => new Date(afterQuiet(Date.parse(time), zone, quiet)).toISOString(); // prettier-ignore
  expect(at('2026-03-10T20:59:00Z', 'UTC')).toBe('2026-03-10T20:59:00.000Z');
  expect(at('2026-03-10T21:00:00Z', 'UTC')).toBe('2026-03-11T08:00:00.000Z');
  expect(at('2026-03-10T07:59:00Z', 'UTC')).toBe('2026-03-10T08:00:00.000Z');
  expect(at('2026-03-10T08:00:00Z', 'UTC')).toBe('2026-03-10T08:00:00.000Z');
  // In the night of 29 March clocks in Lisbon go from 1:00 to 2:00: 8:00 comes an hour sooner.
  expect(at('2026-03-28T22:00:00Z', 'Europe/Lisbon')).toBe('2026-03-29T07:00:00.000Z');
  expect(at('2026-03-27T22:00:00Z', 'Europe/Lisbon')).toBe('2026-03-28T08:00:00.000Z');
  expect(at('2026-03-10T13:30:00Z', 'UTC', { from: '13:00', to: '15:00' })).toBe('2026-03-10T15:00:00.000Z');
  expect(at('2026-03-10T13:30:00Z', 'UTC', { from: '13:00', to: '13:00' })).toBe('2026-03-10T13:30:00.000Z');
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 40_000_000 }), fc.constantFrom('Asia/Kolkata', 'America/New_York', 'Pacific/Apia'), (minute, zone) => {
      const now = Date.UTC(2026, 0, 1) + minute * 60_000 / 10;
      const later = afterQuiet(now, zone, hours);
      expect(later).toBeGreaterThanOrEqual(now);
      expect(later - now).toBeLessThanOrEqual(12 * 3600_000);
      expect(afterQuiet(later, zone, hours)).toBe(later);
    }),
    { numRuns: 300 },
  ); // prettier-ignore
});

test('dates of another group are not told, nor is anything to whoever pauses', () => {
  const own = { ...calendar, entries: [{ ...drop, group: 'evening' }, first] };
  expect(due('2026-03-07', { groupId: 'evening' }, own)).toMatchObject([{ occasion: 'drop' }]);
  expect(due('2026-03-07', { groupId: 'morning' }, own)).toEqual([]);
  expect(due('2026-03-07', { groupId: null }, own)).toEqual([]);
  expect(due('2026-03-07', { groupId: 'evening', isPaused: true }, own)).toEqual([]);
});
