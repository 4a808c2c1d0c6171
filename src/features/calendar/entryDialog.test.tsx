import { fireEvent, render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { CALENDAR_LIMITS, type BlockWork, type CalendarEntry, type Drop } from '@/core/calendar';
import { EntryDialog } from './EntryDialog';

const blocks = ['Star', 'Plate'].map((name, index) => ({ id: `b${index}`, name, minutes: 300, bags: 10, pieces: 60 })) as BlockWork[]; // prettier-ignore
const drop: Drop = {
  kind: 'drop',
  id: 'd1',
  day: '2026-03-02',
  title: 'Drop 1',
  blocks: ['b0'],
  isFixed: false,
};
const meeting: CalendarEntry = { kind: 'meeting', id: 'm', day: '2026-03-02', title: 'Circle', at: '18:30', minutes: 90, place: '', everyWeeks: 2, times: 3 }; // prettier-ignore
const holiday: CalendarEntry = { kind: 'holiday', id: 'h', day: '2026-03-02', until: '2026-03-06', title: 'Away' }; // prettier-ignore

/** The dialog of an entry, and what was kept of it. */
function atEntry(entry: CalendarEntry, more: Partial<Parameters<typeof EntryDialog>[0]> = {}) {
  const kept: CalendarEntry[] = [];
  const said = { out: 0, left: 0 };
  render(
    <EntryDialog entry={entry} isNew={false} blocks={blocks} groups={[]} dropOf={() => undefined} onKeep={(own) => kept.push(own)} onRemove={() => (said.out += 1)} onClose={() => (said.left += 1)} {...more} />,
  );
  return { kept, said };
} // prettier-ignore
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const type = (name: string, text: string) => fireEvent.change(screen.getByLabelText(name), { target: { value: text } }); // prettier-ignore
const alert = () => screen.queryByRole('alert')?.textContent ?? '';

test('a drop: its day, blocks, whether it is fixed and its note are kept; its name without spaces round it', () => {
  const { kept } = atEntry(drop, {
    dropOf: (id) => (id === 'b0' ? drop : { ...drop, id: 'd2', title: 'Drop 2' }),
  });
  expect(screen.getByRole('heading', { name: 'Change this drop' })).toBeTruthy();
  expect(screen.queryByRole('combobox', { name: 'For' })).toBeNull();
  expect(screen.queryByLabelText('Last day')).toBeNull();
  // Its own block leaves nothing.
  expect(screen.getByRole<HTMLInputElement>('checkbox', { name: 'Star' }).checked).toBe(true);
  fireEvent.click(screen.getByRole('checkbox', { name: 'Star' }));
  fireEvent.click(screen.getByRole('checkbox', { name: 'Plate (leaves Drop 2)' }));
  fireEvent.click(screen.getByRole('checkbox', { name: /^The day is fixed/ }));
  type('Name', '  Spring ');
  type('Note', 'Bring scissors');
  type('Day', '2026-03-09');
  press('Keep');
  expect(kept).toEqual([{ ...drop, title: 'Spring', blocks: ['b1'], isFixed: true, note: 'Bring scissors', day: '2026-03-09' }]); // prettier-ignore
});

test('a holiday has a last day that is not before its first; one day is enough; no group has it', () => {
  const { kept } = atEntry(holiday, { groups: [{ id: 'g', name: 'Evening' }] });
  expect(screen.queryByRole('combobox', { name: 'For' })).toBeNull();
  type('Last day', '2026-03-01');
  press('Keep');
  expect(alert()).toContain('It ends before it begins.');
  type('Last day', '');
  press('Keep');
  expect(alert()).toContain('It ends before it begins.');
  expect(kept).toEqual([]);
  type('Last day', '2026-03-02');
  press('Keep');
  type('First day', '');
  press('Keep');
  expect(alert()).toContain('It has no day.');
  expect(kept).toEqual([{ ...holiday, until: '2026-03-02' }]);
});

test('a meeting: hour, minutes, times and weeks apart within what they can be; anything else is said by name', () => {
  const { kept } = atEntry(meeting);
  type('Place', 'Back room');
  type('What is taught, what to bring', 'Curves');
  type('Begins at', '');
  press('Keep');
  expect(alert()).toContain('It has no hour.');
  type('Begins at', '19:00');
  const fields = [['Minutes', 'minutes'], ['Weeks apart', 'everyWeeks'], ['Times in all', 'times']] as const;
  for (const [label, name] of fields) {
    const { least, most } = CALENDAR_LIMITS[name];
    for (const wrong of ['', '1.5', String(least - 1), String(most + 1)]) {
      type(label, wrong);
      press('Keep');
      expect(alert()).toContain(`${label} cannot be that. Give a whole number from ${least} to ${most}.`);
    }
    for (const right of [least, most]) {
      type(label, String(right));
      press('Keep');
      expect([alert(), kept.at(-1)]).toMatchObject(['', { [name]: right }]);
    }
  }
  expect(kept.at(-1)).toMatchObject({ at: '19:00', place: 'Back room', note: 'Curves', title: 'Circle' });
}); // prettier-ignore

test('an entry is given to one group and again to all; a new one cannot be taken out, and leaving keeps nothing', () => {
  const { kept, said } = atEntry(meeting, { isNew: true, groups: [{ id: 'g', name: 'Evening' }] });
  expect(screen.getByRole('heading', { name: 'Add a meeting' })).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Take it out' })).toBeNull();
  const choose = (name: string) => {
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'For' }));
    fireEvent.click(screen.getByRole('option', { name }));
    press('Keep');
  };
  choose('Evening');
  choose('all makers');
  expect(kept.map(({ group }) => group)).toEqual(['g', undefined]);
  expect('group' in kept[1]!).toBe(false);
  press('Leave it');
  expect([kept.length, said.left, said.out]).toEqual([2, 1, 0]);
});
