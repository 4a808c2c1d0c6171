import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { EMPTY_CALENDAR, dropsOf, type BlockWork, type Calendar, type Drop } from '@/core/calendar';
import type { LearntStandard } from '@/core/pace';
import type { ProjectPace } from '@/server/calendar';
import { answering, refused, type Asked } from '@/ui/testing';
import { CalendarStation } from './CalendarStation';

const blocks: BlockWork[] = ['Star', 'Plate', 'Rose'].map((name, index) => ({ id: `b${index}`, name, minutes: 300, bags: 10, pieces: 60 })); // prettier-ignore
const drop = (id: string, day: string, own: string[]): Drop => ({ kind: 'drop', id, day, title: `Drop ${id}`, blocks: own, isFixed: false }); // prettier-ignore
const START: Calendar = { ...EMPTY_CALENDAR, entries: [drop('1', '2026-03-02', ['b0']), drop('2', '2026-03-30', ['b1'])] }; // prettier-ignore
const NOBODY: ProjectPace = { makers: [], drops: [], backTest: { asked: 0, held: 0 } };
const PUT = 'PUT /api/projects/p/calendar';

const saving = ({ body }: Asked) => ({ revision: (body as { revision: number }).revision + 1 });
function at(
  calendar: Calendar = START,
  routes: Record<string, (asked: Asked) => unknown> = {},
  pace = NOBODY,
  groups: readonly { id: string; name: string }[] = [],
  more: { learnt?: readonly LearntStandard[]; suppliers?: readonly string[] } = {},
) {
  const asked = answering({ [PUT]: saving, ...routes });
  render(<CalendarStation projectId="p" initial={calendar} revision={4} blocks={blocks} pace={pace} today="2026-03-05" groups={groups} learnt={[]} suppliers={[]} {...more} />); // prettier-ignore
  const saved = () => asked.filter(({ path }) => path.endsWith('/calendar')).at(-1)?.body as { calendar: Calendar; revision: number }; // prettier-ignore
  return { asked, saved };
}
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const type = (name: string | RegExp, text: string) => fireEvent.change(screen.getByLabelText(name), { target: { value: text } }); // prettier-ignore
const after = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));
const days = (calendar: Calendar) => dropsOf(calendar).map(({ day }) => day);

beforeEach(() => void vi.useFakeTimers());

test('drops are laid out for all blocks, so many at a time; a day that is none lays out nothing', async () => {
  const { saved } = at(EMPTY_CALENDAR);
  press('Lay out the drops');
  type('First drop', '2026-03-07');
  type('Blocks at a time', '2');
  const fault = () => screen.queryByText(/Drops cannot be laid out so/);
  expect(fault()).toBeNull();
  type('Weeks apart', '0');
  expect(fault()).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Lay out' }).hasAttribute('disabled')).toBe(true);
  type('Weeks apart', '3');
  expect(screen.getByText(/^2 drops, the last on 2026-03-28/)).toBeTruthy();
  press('Lay out');
  await after(900);
  expect(saved()).toMatchObject({ revision: 4 });
  expect(dropsOf(saved().calendar).map(({ day, blocks: own }) => [day, ...own])).toEqual([['2026-03-07', 'b0', 'b1'], ['2026-03-28', 'b2']]); // prettier-ignore
  // What was laid out may be moved when the load is levelled.
  expect(dropsOf(saved().calendar).map(({ isFixed }) => isFixed)).toEqual([false, false]);
});

test('an entry is moved by Alt and the arrows, undone and done again; each is saved once the hands rest', async () => {
  const { asked, saved } = at();
  const chip = () => screen.getByRole('button', { name: /^Drop: Drop 2/ });
  fireEvent.keyDown(chip(), { key: 'ArrowRight', altKey: true });
  fireEvent.keyDown(chip(), { key: 'ArrowDown', altKey: true });
  fireEvent.keyDown(chip(), { key: 'ArrowLeft' });
  expect(asked).toEqual([]);
  await after(900);
  expect(days(saved().calendar)).toEqual(['2026-03-02', '2026-04-07']);
  press('Undo');
  await after(900);
  expect([days(saved().calendar), saved().revision]).toEqual([['2026-03-02', '2026-03-31'], 5]);
  // What follows from a drop does not move by itself, but leads to it.
  fireEvent.keyDown(screen.getByRole('button', { name: /^Packing: Pack for Drop 2/ }), { key: 'ArrowRight', altKey: true }); // prettier-ignore
  await after(900);
  expect(asked).toHaveLength(2);
  press(/^Packing: Pack for Drop 2/);
  expect(screen.getByRole('dialog', { name: 'Change this drop' })).toBeTruthy();
});

test('an entry is told in full: what cannot be is said and nothing typed is lost; a block leaves its other drop', async () => {
  const { saved } = at();
  press('Add a meeting');
  type('Name', ' ');
  press('Keep');
  expect(screen.getByRole('alert').textContent).toContain('It has no name.');
  type('Name', 'Circle');
  type('Minutes', '3');
  press('Keep');
  expect(screen.getByRole('alert').textContent).toContain('Minutes cannot be that. Give a whole number from 5 to 1440.'); // prettier-ignore
  type('Minutes', '90');
  type('Times in all', '2');
  press('Keep');
  await after(900);
  expect(saved().calendar.entries[2]).toMatchObject({ kind: 'meeting', title: 'Circle', minutes: 90, times: 2, day: '2026-03-12' }); // prettier-ignore
  expect(screen.getAllByRole('button', { name: /^Meeting: Circle/ })).toHaveLength(2);
  press(/^Drop: Drop 2/);
  fireEvent.click(screen.getByRole('checkbox', { name: 'Star (leaves Drop 1)' }));
  press('Keep');
  await after(900);
  expect(dropsOf(saved().calendar).map(({ blocks: own }) => own)).toEqual([[], ['b1', 'b0']]);
  expect(screen.getByText(/^In no drop: Rose/)).toBeTruthy();
  press(/^Drop: Drop 2/);
  press('Take it out');
  await after(900);
  expect(days(saved().calendar)).toEqual(['2026-03-02']);
});

test('someone saved meanwhile: theirs is shown and mine comes back by undo', async () => {
  const theirs = { ...START, hoursPerWeek: 9 };
  let answer: (asked: Asked) => unknown = () => refused(409, 'conflict', { current: { calendar: theirs, revision: 7 } }); // prettier-ignore
  const { saved } = at(START, { [PUT]: (asked) => answer(asked) });
  fireEvent.keyDown(screen.getByRole('button', { name: /^Drop: Drop 2/ }), {
    key: 'ArrowRight',
    altKey: true,
  });
  await after(900);
  answer = saving;
  press('Show theirs (undo brings yours back)');
  expect(screen.getByText(/9 hours end/)).toBeTruthy();
  press('Undo');
  await after(900);
  expect([saved().revision, days(saved().calendar)[1]]).toEqual([7, '2026-03-31']);
});

test('figures with a comma are read; what is out of bounds, a zone that is none and an end that is none are said', async () => {
  const { saved } = at();
  press('Figures');
  for (const [label, wrong, right] of [['Hours a maker sews in a week', '-3', '2,5'], ['Days from an order until cloth comes', '1.5', '14'], ['Time zone', 'Mars/North', 'Europe/Lisbon']] as const) {
    type(label, wrong);
    press('Keep');
    expect(screen.getByRole('alert').textContent).toContain(wrong);
    type(label, right);
  }
  press('Keep');
  await after(900);
  expect(saved().calendar).toMatchObject({ hoursPerWeek: 2.5, leadDays: 14, timeZone: 'Europe/Lisbon' });
}); // prettier-ignore

test('levelling is shown before and after, and taken only when it is wanted', async () => {
  const flat = { ...START, endsOn: '2026-04-27', entries: [START.entries[0]!, { ...drop('2', '2026-04-06', ['b1', 'b2']) }] }; // prettier-ignore
  const { saved } = at(START, { 'POST /api/projects/p/calendar/level': () => ({ calendar: flat, before: 150, after: 90, isProven: true }) }); // prettier-ignore
  press('Level the load');
  await after(50);
  expect(
    screen.getByText(/goes from 2 h 30 min to 1 h 30 min a week\. No choice .* is flatter/),
  ).toBeTruthy();
  expect(screen.getByText('Drop 2, Mon 30 Mar 2026 → Mon 6 Apr 2026: Plate, Rose')).toBeTruthy();
  expect(screen.getAllByRole('img', { name: /Mon 2 Mar 2026: / })).toHaveLength(2);
  press('Leave it as it is');
  press('Level the load');
  await after(50);
  press('Take it');
  await after(900);
  expect(saved().calendar).toEqual(flat);
});

test('what was levelled is of the calendar as it was: once that is changed it cannot be taken any more, and nothing is lost', async () => {
  const flat = { ...START, entries: [START.entries[0]!, drop('2', '2026-04-06', ['b1'])] };
  const { saved } = at(START, { 'POST /api/projects/p/calendar/level': () => ({ calendar: flat, before: 150, after: 90, isProven: false }) });
  press('Level the load');
  await after(50);
  expect(screen.getByText(/The search ended before it was sure that nothing is flatter\./)).toBeTruthy();
  press('Add a meeting');
  type('Name', 'Circle');
  press('Keep');
  expect(screen.queryByRole('button', { name: 'Take it' })).toBeNull();
  expect(screen.getByText('The dates shown are no longer those that were levelled: level them again.')).toBeTruthy();
  await after(900);
  expect(saved().calendar.entries).toHaveLength(3);
  // Undone, they are those again.
  press('Undo');
  expect(screen.getByRole('button', { name: 'Take it' })).toBeTruthy();
  press('Redo');
  expect(screen.queryByRole('button', { name: 'Take it' })).toBeNull();
  press('Level the load');
  await after(50);
  expect(screen.queryByText(/no longer those/)).toBeNull();
  expect(screen.getByRole('button', { name: 'Take it' })).toBeTruthy();
}); // prettier-ignore

test('where nothing is flatter there is nothing to take', async () => {
  at(START, { 'POST /api/projects/p/calendar/level': () => ({ calendar: START, before: 150, after: 150, isProven: false }) }); // prettier-ignore
  press('Level the load');
  await after(50);
  expect(screen.getByText('Nothing is flatter than what is: 2 h 30 min in the heaviest week, as far as was looked.')).toBeTruthy(); // prettier-ignore
  expect(screen.queryByRole('button', { name: 'Take it' })).toBeNull();
});

test('what if: other hours and a slower group change the chart and nothing else', async () => {
  const { asked } = at();
  const title = () => screen.getByText(/heaviest week/).textContent;
  expect(title()).toBe('Each week: heaviest week 1 h 15 min, 0 of 8 weeks over the hours');
  fireEvent.change(screen.getByRole('slider', { name: 'Everything takes this group 100 % of the standard' }), { target: { value: 200 } }); // prettier-ignore
  fireEvent.change(screen.getByRole('slider', { name: '3 hours a week' }), { target: { value: 2 } });
  expect(title()).toBe('Supposed: heaviest week 2 h 30 min, 8 of 8 weeks over the hours');
  press('Back to what is');
  expect(title()).toContain('1 h 15 min');
  await after(2000);
  expect(asked).toEqual([]);
});

test('what if: weeks more and a block less are kept where the host asks for it, a slower group never', async () => {
  const { saved } = at();
  const limits = screen
    .getAllByRole('slider')
    .map((one) => ['min', 'max', 'step'].map((name) => Number(one.getAttribute(name))));
  expect(limits).toEqual([
    [0.25, 20, 0.25],
    [50, 200, 5],
    [0, 26, 1],
  ]);
  fireEvent.change(screen.getByRole('slider', { name: 'Everything takes this group 100 % of the standard' }), { target: { value: 150 } }); // prettier-ignore
  expect(screen.queryByRole('button', { name: /Keep hours/ })).toBeNull();
  fireEvent.change(screen.getByRole('slider', { name: 'No week more' }), { target: { value: 4 } });
  fireEvent.change(screen.getByRole('slider', { name: '3 hours a week' }), { target: { value: 1.25 } });
  // Seven and a half hours of Star in six weeks, then as much again, up to twelve.
  expect(screen.getByText('Of a group whose middle sews 1.25 hours a week, so many have each drop sewn by the next: Drop 1 50 %, Drop 2 50 %.')).toBeTruthy(); // prettier-ignore
  fireEvent.change(screen.getByRole('combobox', { name: 'Without these blocks' }), { target: { value: 'Pla' } }); // prettier-ignore
  fireEvent.click(screen.getByRole('option', { name: 'Plate' }));
  press('Keep hours, days and blocks so');
  await after(900);
  const [first, second] = dropsOf(saved().calendar);
  expect([first!.day, second!.day, saved().calendar.endsOn]).toEqual(['2026-03-02', '2026-04-13', '2026-05-25']); // prettier-ignore
  expect([first!.blocks, second!.blocks, saved().calendar.hoursPerWeek]).toEqual([['b0'], [], 1.25]);
  expect(screen.getByText(/^Each week: heaviest week 50 min/)).toBeTruthy();
});

test('what levelling holds to: a block belongs to one line; weekdays may be let go', async () => {
  const { saved } = at({ ...START, together: [['b0', 'b1']] });
  press('What levelling holds to');
  expect(screen.getByRole<HTMLInputElement>('checkbox', { name: 'Drops keep their day of the week' }).checked).toBe(true); // prettier-ignore
  fireEvent.click(screen.getByRole('checkbox', { name: 'Drops keep their day of the week' }));
  for (const name of ['Plate', 'Rose']) {
    // The first choice fills the empty line, and empties the one that Plate was in.
    const line = screen.getByRole('combobox', { name: name === 'Plate' ? /too/ : 'Belong together, 2' });
    fireEvent.change(line, { target: { value: name } });
    fireEvent.click(screen.getByRole('option', { name }));
  }
  press('Keep');
  await after(900);
  expect(saved().calendar).toMatchObject({ isAnyWeekday: true, together: [['b1', 'b2']] });
});

test('suppliers with a time of their own: a fault is said, an empty row does not count', async () => {
  const { saved } = at(START, {}, NOBODY, [], { suppliers: ['Mill Lane Yard'] });
  press('Figures');
  type('Supplier 1', 'Mill Lane Yard');
  type('Days, supplier 1', '3 weeks');
  press('Keep');
  expect(screen.getByRole('alert').textContent).toContain('Mill Lane Yard: “3 weeks” days cannot be.');
  type('Days, supplier 1', '');
  press('Keep');
  expect(screen.getByRole('alert').textContent).toContain('Mill Lane Yard: “” days cannot be.');
  type('Days, supplier 1', '21');
  type('Days, supplier 2', '5');
  press('Keep');
  expect(screen.getByRole('alert').textContent).toContain('A supplier has no name; its days: 5.');
  type('Days, supplier 2', '');
  press('Keep');
  press('List with reasons');
  expect(screen.getByText(/Order from Mill Lane Yard for Drop 2/)).toBeTruthy();
  await after(900);
  expect(saved().calendar.suppliers).toEqual([{ name: 'Mill Lane Yard', leadDays: 21 }]);
});

test('what a group takes is shown with how sure it is; used it changes the load, put back it does not', async () => {
  const learnt = [{ work: 'join', times: 0.801, least: 0.7, most: 0.92, timed: 23, makers: 6 }];
  const slow = blocks.map((block) => ({ ...block, minutesOf: { join: 200, glue: 100 } }));
  const asked = answering({ [PUT]: saving });
  render(<CalendarStation projectId="p" initial={START} revision={4} blocks={slow} pace={NOBODY} today="2026-03-05" groups={[]} learnt={learnt} suppliers={[]} />); // prettier-ignore
  const [row] = within(screen.getByRole('table', { name: 'How long this group takes' })).getAllByRole('row').slice(1); // prettier-ignore
  expect(row!.textContent).toBe('Whip-stitching80 %8 in 10: 70 % to 92 %; 23 times of 6 makers100 %Use 80 %'); // prettier-ignore
  press('Use 80 % for Whip-stitching');
  // 160 + 100 minutes in four weeks.
  expect(screen.getByText(/^Each week: heaviest week 1 h 5 min/)).toBeTruthy();
  await after(900);
  expect((asked.at(-1)?.body as { calendar: Calendar }).calendar.standards).toEqual({ join: 0.8 });
  press('Put back the standard of Whip-stitching');
  expect(screen.getByText(/^Each week: heaviest week 1 h 15 min/)).toBeTruthy();
});

test('makers who want a look come first, with their dates; drops say who will have sewn them', () => {
  const maker = (name: string, state: 'stalled' | 'ahead') => ({ id: name, name, state, reason: 'Because.', weekly: 45, day50: '2026-05-01', day80: '2026-06-02', left: 130, begun: true }); // prettier-ignore
  const pace: ProjectPace = {
    makers: [maker('Ann', 'ahead'), maker('Bea', 'stalled')],
    drops: [{ drop: '2', makers: 2, done: 0, likely: 2, sure: 1 }],
    backTest: { asked: 40, held: 33 },
  };
  at(START, {}, pace);
  const rows = within(screen.getByRole('table', { name: 'Who will be done when' })).getAllByRole('row').slice(1); // prettier-ignore
  expect(rows.map((row) => row.textContent)).toEqual([
    'Bea■stalled. Because.2 h 10 min45 minFri 1 May 2026Tue 2 Jun 2026',
    'Ann▲ahead. Because.2 h 10 min45 minFri 1 May 2026Tue 2 Jun 2026',
  ]);
  expect(screen.getByText(/of 40 dates said at 8 in 10, 33 held \(83 %\)/)).toBeTruthy();
  press('List with reasons');
  expect(screen.getByText('Sewn by 0 of 2 makers; by the next drop with even chances by 2, at 8 in 10 by 1.')).toBeTruthy(); // prettier-ignore
  expect(screen.queryByText(/Mon 2 Mar 2026: Drop 1/)).toBeNull();
  press('Show 3 earlier dates');
  expect(screen.getByText(/Mon 2 Mar 2026: Drop 1/)).toBeTruthy();
});

test('before anybody has begun each drop says which share of a group will have sewn it', () => {
  at({ ...START, hoursPerWeek: 1.25 });
  press('List with reasons');
  // Five hours in four weeks are what the middle sews; after ten in eight it is the same.
  expect(screen.getByText('Before the start: about 50 % of a group will have sewn it by the next drop (10 h up to here in 8 weeks).')).toBeTruthy(); // prettier-ignore
});

test('where forecasts could not be reckoned the dates are there all the same', () => {
  answering({});
  render(<CalendarStation projectId="p" initial={START} revision={4} blocks={blocks} pace={undefined} today="2026-03-05" groups={[]} learnt={[]} suppliers={[]} />); // prettier-ignore
  expect(screen.getByText(/could not be reckoned just now/)).toBeTruthy();
  expect(screen.getByRole('button', { name: /^Drop: Drop 2/ })).toBeTruthy();
});

test('holidays of a file are looked through and put in; a secret address is shown once', async () => {
  const found = [{ day: '2026-04-03', until: '2026-04-06', title: 'Easter' }, { day: '2026-05-01', until: '2026-05-01', title: 'May Day' }]; // prettier-ignore
  const { saved } = at(START, {
    'POST /api/projects/p/calendar/holidays': () => ({ holidays: found }),
    'POST /api/projects/p/calendar/feed': () => ({ address: 'https://kevlo.example/api/feed/secret' }),
  });
  const input = screen.getByText('Holidays from an .ics').closest('label')!.querySelector('input')!;
  fireEvent.change(input, { target: { files: [new File(['BEGIN:VCALENDAR'], 'h.ics')] } });
  await after(50);
  fireEvent.click(screen.getByRole('checkbox', { name: 'Fri 1 May 2026: May Day' }));
  press('Put them in');
  await after(900);
  expect(saved().calendar.entries.slice(2)).toMatchObject([{ kind: 'holiday', title: 'Easter', until: '2026-04-06' }]); // prettier-ignore
  press('New secret address');
  await after(50);
  expect(screen.getByText('https://kevlo.example/api/feed/secret')).toBeTruthy();
});

test('dates of a group: given under their entry, looked at alone; a block may be in one drop of each group', async () => {
  const groups = [{ id: '11111111-1111-4111-8111-111111111111', name: 'Evening' }, { id: '22222222-2222-4222-8222-222222222222', name: 'Morning' }]; // prettier-ignore
  const [evening, morning] = groups.map(({ id }) => id);
  const own: Calendar = { ...START, entries: [{ ...drop('1', '2026-03-09', ['b0']), group: evening! }, drop('2', '2026-03-30', ['b1'])] }; // prettier-ignore
  const { saved } = at(
    own,
    { 'POST /api/projects/p/calendar/feed': () => ({ address: 'http://x/f' }) },
    NOBODY,
    groups,
  );
  press('List with reasons');
  expect(screen.getByText(/Drop 1 \(Evening\)/)).toBeTruthy();
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Dates of' }));
  fireEvent.click(screen.getByRole('option', { name: 'Morning' }));
  await after(500);
  expect(screen.queryByText(/Drop 1/)).toBeNull();
  expect(screen.getByRole('button', { name: 'New secret address for Morning' })).toBeTruthy();
  press(/^Add a drop/);
  const dialog = within(screen.getByRole('dialog'));
  fireEvent.mouseDown(dialog.getByRole('combobox', { name: 'For' }));
  fireEvent.click(screen.getByRole('option', { name: 'Morning' }));
  await after(500);
  fireEvent.click(dialog.getByRole('checkbox', { name: 'Star' }));
  expect(dialog.getByRole('checkbox', { name: 'Plate (leaves Drop 2)' })).toBeTruthy();
  fireEvent.click(dialog.getByRole('button', { name: 'Keep' }));
  await after(1000);
  expect(dropsOf(saved().calendar).map(({ group, blocks: of }) => [group, of])).toEqual(expect.arrayContaining([[evening, ['b0']], [morning, ['b0']]])); // prettier-ignore
});
