import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import type { Maker } from '@/server/makers';
import type { RollEntry, RollLine } from '@/server/progress';
import { Notices } from '@/ui/Notices';
import { PLAIN_MAKER, answering, unreachable } from '@/ui/testing';
import { RollCall } from './RollCall';
import { opposite, withEntry } from './useRollCall';

const maker = (id: string, name: string, more: Partial<Maker> = {}): Maker => ({
  id,
  name,
  hasLink: true,
  skips: [],
  ...PLAIN_MAKER,
  ...more,
});
const line = (makerId: string, done = 0): RollLine => ({
  makerId, isAbsent: false,
  now: { blockId: 'a', block: 'Star', isStuck: false, units: [{ key: 'k0', name: 'papers basted', count: 4, done: 4 }, { key: 'k1', name: 'pair A', count: 12, done }] },
}); // prettier-ignore

function atRoll(isCut = false) {
  const server = { isCut, lines: [line('m1'), line('m2', 3)] };
  const asked = answering({
    'GET /api/projects/p1/roll': () => (server.isCut ? unreachable() : { day: '2026-11-27', lines: server.lines }),
    'POST /api/projects/p1/roll': ({ body }) => {
      if (server.isCut) return unreachable();
      const { entries } = body as { entries: RollEntry[] };
      server.lines = server.lines.map((one) => entries.reduce(withEntry, one));
      return {};
    },
  });
  render(
    <Notices>
      <RollCall projectId="p1" makers={[maker('m1', 'Ada'), maker('m2', 'Bo', { groupId: 'g1' }), maker('m3', 'Cy', { isPaused: true })]} groups={[{ id: 'g1', name: 'Evening' }]} initial={{ day: '2026-11-27', lines: server.lines }} />
    </Notices>,
  );
  const said = () => asked.filter(({ method }) => method === 'POST').map(({ body }) => (body as { entries: RollEntry[] }).entries[0]!);
  return { server, said };
} // prettier-ignore
const key = (name: string) => fireEvent.keyDown(document.body, { key: name });
const row = (name: string) => within(screen.getByRole('listitem', { name }));

test('arrows, figures, s and a: a group is entered without a mouse; figures at once are one number; u takes back', async () => {
  const { said } = atRoll();
  expect(screen.queryByRole('listitem', { name: 'Cy' })).toBeNull();
  key('1');
  key('0');
  expect(row('Ada').getByText('Star: pair A, 10 of 12')).toBeTruthy();
  key('ArrowDown');
  expect(screen.getByRole('listitem', { name: 'Bo' }).getAttribute('aria-current')).toBe('true');
  key('s');
  key('a');
  expect(row('Bo').getByText(/away today/)).toBeTruthy();
  await waitFor(() => expect(said().map(({ makerId, kind }) => [makerId, kind])).toEqual([['m1', 'count'], ['m1', 'count'], ['m2', 'stuck'], ['m2', 'absent']])); // prettier-ignore
  expect(new Set(said().map(({ id }) => id)).size).toBe(4);
  key('u');
  key('u');
  await waitFor(() => expect(said().slice(4)).toMatchObject([{ kind: 'present', day: '2026-11-27' }, { kind: 'unstuck' }])); // prettier-ignore
  key('u');
  await waitFor(() => expect(said().at(-1)).toMatchObject({ kind: 'count', key: 'k1', count: 1 }));
});

test('a figure after a rest, or for another maker, begins a number of its own', () => {
  atRoll();
  const keyAt = (name: string, timeStamp: number) => {
    const event = new KeyboardEvent('keydown', { key: name, bubbles: true });
    Object.defineProperty(event, 'timeStamp', { value: timeStamp });
    act(() => void document.body.dispatchEvent(event));
  };
  keyAt('1', 5000);
  keyAt('1', 6100);
  expect(row('Ada').getByText('Star: pair A, 11 of 12')).toBeTruthy();
  keyAt('7', 7400);
  expect(row('Ada').getByText('Star: pair A, 7 of 12')).toBeTruthy();
  key('ArrowDown');
  keyAt('2', 7500);
  expect(row('Bo').getByText('Star: pair A, 2 of 12')).toBeTruthy();
});

test('by touch and by name; of one group; without a connection it counts here, is said to wait, and is sent in its order', async () => {
  const { server, said } = atRoll(true);
  fireEvent.click(screen.getByRole('button', { name: 'One more, Bo' }));
  fireEvent.click(screen.getByRole('button', { name: 'All, Ada' }));
  expect(row('Bo').getByText('Star: pair A, 4 of 12')).toBeTruthy();
  expect(await screen.findByText('2 entries wait on this device for a connection. Go on.')).toBeTruthy();
  server.isCut = false;
  window.dispatchEvent(new Event('online'));
  await waitFor(() => expect(screen.queryByText(/wait on this device/)).toBeNull());
  expect(said().slice(-2)).toMatchObject([
    { makerId: 'm2', count: 4 },
    { makerId: 'm1', count: 12 },
  ]);
  expect(row('Bo').getByText('Star: pair A, 4 of 12')).toBeTruthy();
  key('/');
  const finder = screen.getByRole('textbox', { name: 'Find a name' });
  expect(document.activeElement).toBe(finder);
  fireEvent.change(finder, { target: { value: 'bo' } });
  expect(screen.getByRole('listitem', { name: 'Bo' }).getAttribute('aria-current')).toBe('true');
  fireEvent.change(finder, { target: { value: 'zz' } });
  expect(screen.getByText(/No name begins with “zz”/)).toBeTruthy();
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Group' }));
  fireEvent.click(screen.getByRole('option', { name: 'Evening' }));
  await waitFor(() => expect(screen.queryByRole('listitem', { name: 'Ada' })).toBeNull());
});

test('what takes a word back makes the line what it was; a word that changes nothing has none', () => {
  const count = { makerId: 'm1', kind: 'count', blockId: 'a', key: 'k1', count: 5 } as const;
  const entry = (word: object) => ({ id: 'x', at: '', ...word }) as RollEntry;
  for (const word of [count, { makerId: 'm1', kind: 'stuck', blockId: 'a' }, { makerId: 'm1', kind: 'absent', day: 'd' }] as const) {
    const back = opposite(line('m1', 2), word)!;
    expect(withEntry(withEntry(line('m1', 2), entry(word)), entry(back))).toEqual(line('m1', 2));
  }
  expect(opposite(line('m1', 5), count)).toBeUndefined();
  expect(withEntry(line('m2'), entry(count))).toEqual(line('m2'));
}); // prettier-ignore

test('keys go no further than the first and the last; those meant for a list or the browser count nothing', async () => {
  const { said } = atRoll();
  const isAt = (name: string) => screen.getByRole('listitem', { name }).getAttribute('aria-current') === 'true';
  key('ArrowUp');
  expect(isAt('Ada')).toBe(true);
  key('ArrowDown');
  key('ArrowDown');
  expect(isAt('Bo')).toBe(true);
  key('ArrowUp');
  expect(isAt('Ada')).toBe(true);
  fireEvent.keyDown(screen.getByRole('combobox', { name: 'Group' }), { key: 'ArrowDown' });
  const list = screen.getByRole('listbox', { name: 'Group' });
  fireEvent.keyDown(list, { key: 'a' });
  fireEvent.keyDown(list, { key: 'Escape' });
  await waitFor(() => expect(screen.queryByRole('listbox')).toBeNull());
  expect(isAt('Ada')).toBe(true);
  for (const more of [{ ctrlKey: true }, { metaKey: true }, { altKey: true }]) fireEvent.keyDown(document.body, { key: '5', ...more });
  key('9');
  key('9');
  await waitFor(() => expect(said()).toMatchObject([{ count: 9 }, { count: 12 }]));
  expect(row('Ada').getByText('Star: pair A, 12 of 12')).toBeTruthy();
}); // prettier-ignore

test('one less, all and back again; Enter in the finder goes back to the roll; who is in no group is found', async () => {
  const { said } = atRoll();
  const isOff = (name: string) => screen.getByRole('button', { name }).hasAttribute('disabled');
  expect([isOff('One less, Ada'), isOff('One less, Bo')]).toEqual([true, false]);
  fireEvent.click(screen.getByRole('button', { name: 'One less, Bo' }));
  expect(row('Bo').getByText('Star: pair A, 2 of 12')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'All, Bo' }));
  expect([isOff('All, Bo'), isOff('One more, Bo'), isOff('All, Ada')]).toEqual([true, true, false]);
  // All is done: what is counted down is the unit that was sewn last.
  fireEvent.click(screen.getByRole('button', { name: 'One less, Bo' }));
  expect(row('Bo').getByText('Star: pair A, 11 of 12')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Away, Bo' }));
  expect(screen.getByText(/2 makers, 1 away\./)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Away, Bo' }));
  fireEvent.click(screen.getByRole('button', { name: 'Stuck, Bo' }));
  fireEvent.click(screen.getByRole('button', { name: 'Stuck, Bo' }));
  await waitFor(() => expect(said().slice(3).map(({ kind }) => kind)).toEqual(['absent', 'present', 'stuck', 'unstuck']));
  expect(screen.getByRole('button', { name: 'Take back: Bo: stuck' })).toBeTruthy();
  const finder = screen.getByRole<HTMLInputElement>('textbox', { name: 'Find a name' });
  finder.focus();
  fireEvent.change(finder, { target: { value: 'bo' } });
  fireEvent.keyDown(finder, { key: 'o' });
  expect(finder.value).toBe('bo');
  fireEvent.keyDown(finder, { key: 'Enter' });
  expect([finder.value, document.activeElement === finder]).toEqual(['', false]);
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Group' }));
  fireEvent.click(screen.getByRole('option', { name: 'in no group' }));
  await waitFor(() => expect(screen.queryByRole('listitem', { name: 'Bo' })).toBeNull());
  expect(screen.getByRole('listitem', { name: 'Ada' })).toBeTruthy();
}); // prettier-ignore

test('whoever has sewn all is said to be done; one that waits is one entry', async () => {
  const lines = [{ ...line('m1'), now: null }, line('m2', 3)];
  answering({ 'GET /api/projects/p1/roll': () => unreachable(), 'POST /api/projects/p1/roll': () => unreachable() });
  render(
    <Notices>
      <RollCall projectId="p1" makers={[maker('m1', 'Ada'), maker('m2', 'Bo')]} groups={[]} initial={{ day: '2026-11-27', lines }} />
    </Notices>,
  );
  expect(row('Ada').getByText('all done')).toBeTruthy();
  expect(row('Ada').getByRole('button', { name: 'Stuck, Ada' }).hasAttribute('disabled')).toBe(true);
  expect(row('Ada').getByRole('button', { name: 'Away, Ada' }).hasAttribute('disabled')).toBe(false);
  expect(screen.queryByRole('combobox', { name: 'Group' })).toBeNull();
  key('5');
  key('s');
  expect(screen.queryByText(/on this device/)).toBeNull();
  key('ArrowDown');
  key('5');
  expect(await screen.findByText('1 entry waits on this device for a connection. Go on.')).toBeTruthy();
}); // prettier-ignore
