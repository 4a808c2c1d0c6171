import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { defaultRecipe, documentOfRecipe, type RecipeKind } from '@/core/generate';
import { blockSheet } from '@/core/sheet';
import { answering, refused, unreachable, type Asked } from '@/ui/testing';
import { MakerPage } from './MakerPage';
import { storeKey } from './tickStore';
import type { PageData } from './useMakerBlock';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' } as const;
const EVENTS = 'POST /api/m/secret-token/events';

function block(id: string, kind: RecipeKind, more: object = {}) {
  const { patches, ...document } = documentOfRecipe(defaultRecipe(kind));
  const sheet = blockSheet(patches, SETTINGS, undefined, document);
  return { id, name: `Block ${id}`, sheet, done: [], stuck: [], covered: [], orphaned: 0, isOwnOrder: false, photos: [], ...more };
} // prettier-ignore

function atPhone(blocks: readonly object[] = [block('a', 'star'), block('b', 'rosette')]) {
  const initial = { maker: { id: 'm1', name: 'Ada' }, project: { name: 'Coast Sampler', unitSystem: 'inch' }, blocks } as unknown as PageData;
  const page = render(<MakerPage token="secret-token" initial={initial} />);
  return { ...page, initial };
} // prettier-ignore

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const heading = () => screen.getByRole('heading', { level: 1 }).textContent;
const sent = (asked: readonly Asked[]) =>
  asked.flatMap(
    ({ body }) => (body as { events: { kind: string; stepId: string; clientId: string }[] }).events,
  );
const kept = () =>
  JSON.parse(localStorage.getItem(storeKey('m1')) ?? '{}') as { ticks: unknown[]; setAside: unknown[] };

test('Done goes to the next step, is sent once with an id of its own, and can be taken back', async () => {
  const asked = answering({ [EVENTS]: () => ({}) });
  const { initial } = atPhone();
  const ids = initial.blocks[0]!.sheet.steps.map(({ id }) => id);
  expect(heading()).toMatch(/^Step 1 of /);
  expect(screen.queryByRole('button', { name: 'Not done after all' })).toBeNull();
  press('Done');
  expect(heading()).toMatch(/^Step 2 of /);
  await waitFor(() => expect(sent(asked)).toMatchObject([{ kind: 'done', stepId: ids[0], blockId: 'a' }]));
  press('Not done after all');
  expect(heading()).toMatch(/^Step 1 of /);
  await waitFor(() => expect(sent(asked)).toHaveLength(2));
  expect(sent(asked)[1]).toMatchObject({ kind: 'undone', stepId: ids[0] });
  expect(new Set(sent(asked).map(({ clientId }) => clientId)).size).toBe(2);
  await waitFor(() => expect(kept().ticks).toEqual([]));
});

test('without a connection ticks count on the phone, are said to wait, and go out when it is back; never said to be known', async () => {
  vi.useFakeTimers();
  let isThere = false;
  const asked = answering({ [EVENTS]: () => (isThere ? {} : unreachable()) });
  const { unmount, initial } = atPhone();
  press('Done');
  press('I’m stuck');
  await act(() => vi.advanceTimersByTimeAsync(10));
  expect(heading()).toMatch(/^Step 2 of /);
  expect(screen.getByText('2 ticks wait on this phone and will be sent.')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'On its way to your host' }).hasAttribute('disabled')).toBe(true);
  expect(kept().ticks).toHaveLength(2);
  unmount();
  // The phone is put away and taken up again: what waited is still counted and still waits.
  render(<MakerPage token="secret-token" initial={initial} />);
  expect(heading()).toMatch(/^Step 2 of /);
  isThere = true;
  const before = asked.length;
  await act(() => vi.advanceTimersByTimeAsync(5100));
  expect(asked.length).toBeGreaterThan(before);
  expect(sent(asked.slice(-1)).map(({ kind }) => kind)).toEqual(['done', 'stuck']);
  expect(screen.getByRole('button', { name: 'Your host knows' })).toBeTruthy();
  expect(screen.queryByText(/on this phone/)).toBeNull();
  const after = asked.length;
  await act(() => vi.advanceTimersByTimeAsync(20_000));
  expect(asked).toHaveLength(after);
});

test.each([
  ['a block that is gone', refused(422, 'no-such-block'), 0, 1],
  ['a link that is not in force', refused(404, 'no-such-link'), 1, 0],
  ['too much at once', refused(429, 'slow-down'), 1, 0],
  ['a server that fails', refused(500, 'broken'), 1, 0],
])('what the server says of a tick: %s', async (_, answer, waiting, setAside) => {
  answering({ [EVENTS]: () => answer.clone() });
  atPhone();
  press('Done');
  await waitFor(() => expect([kept().ticks.length, kept().setAside.length]).toEqual([waiting, setAside]));
  if (setAside > 0)
    expect(screen.getByText(/One tick was about a block that is no\s+longer here/)).toBeTruthy();
  else expect(await screen.findByText(/Refused/)).toBeTruthy();
});

test('another tab’s ticks count here, and an older page’s store under the link moves to the maker', async () => {
  answering({ [EVENTS]: unreachable });
  const sheet = block('a', 'star').sheet;
  const tick = (index: number) => ({ clientId: `c${index}`, blockId: 'a', stepId: sheet.steps[index]!.id, kind: 'done', at: '2026-05-01T10:00:00Z', units: [[0]] });
  localStorage.setItem('kevlo-ticks-secret-t', JSON.stringify([tick(0)]));
  atPhone();
  await waitFor(() => expect(heading()).toMatch(/^Step 2 of /));
  expect(localStorage.getItem('kevlo-ticks-secret-t')).toBeNull();
  const both = JSON.stringify({ ticks: [tick(0), tick(1)], setAside: [] });
  localStorage.setItem(storeKey('m1'), both);
  act(() => void window.dispatchEvent(new StorageEvent('storage', { key: storeKey('m1'), newValue: both })));
  await waitFor(() => expect(heading()).toMatch(/^Step 3 of /));
}); // prettier-ignore

test('the block chosen is remembered on the phone; left alone, the first that is not finished opens', () => {
  answering({ [EVENTS]: () => ({}) });
  const star = block('a', 'star');
  const all = star.sheet.steps.map(({ id }) => id);
  const { unmount } = atPhone([{ ...star, done: all }, block('b', 'rosette')]);
  const select = () => screen.getByRole('combobox', { name: 'Block' }) as HTMLSelectElement;
  expect(select().value).toBe('b');
  expect(within(select()).getAllByRole('option')[0]?.textContent).toBe(
    `Block a: ${all.length} of ${all.length}`,
  );
  fireEvent.change(select(), { target: { value: 'a' } });
  expect(screen.getByText('Block a is sewn.')).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Done' })).toBeNull();
  unmount();
  atPhone([{ ...star, done: all }, block('b', 'rosette')]);
  expect(select().value).toBe('a');
});

test('a step that was sewn in another way counts as done, and what changed since is told', () => {
  answering({ [EVENTS]: () => ({}) });
  const star = block('a', 'star');
  const [first, second] = star.sheet.steps;
  atPhone([{ ...star, done: [first!.id], covered: [second!.id], isOwnOrder: true, orphaned: 3 }]);
  expect(heading()).toMatch(/^Step 3 of /);
  expect(screen.getByText(/What you have sewn counts, and your steps go round it\./)).toBeTruthy();
  expect(screen.getByText(/^3 of your ticks belong to steps/)).toBeTruthy();
});

test('what follows is told in first sentences, the time left falls with each tick, the host’s note and picture stand at their step', () => {
  answering({ [EVENTS]: () => ({}) });
  const star = block('a', 'star');
  const [first, ...others] = star.sheet.steps;
  const sheet = { ...star.sheet, steps: [{ ...first!, hostNote: 'Mind the tips' }, ...others] };
  const photos = [{ id: 'f1', stepId: first!.id, says: 'A tip', width: 4, height: 3 }];
  atPhone([{ ...star, sheet, photos }]);
  expect(screen.getByText('Mind the tips', { exact: false })).toBeTruthy();
  expect(screen.getByRole('img', { name: 'A tip' }).getAttribute('src')).toBe(
    '/api/m/secret-token/photos/f1',
  );
  const then = within(screen.getAllByRole('list').find((one) => one.tagName === 'OL')!).getAllByRole(
    'listitem',
  );
  expect(then).toHaveLength(3);
  for (const [i, item] of then.entries()) expect(others[i]!.text.startsWith(item.textContent!)).toBe(true);
  const left = () =>
    /; (.*) left in this block/.exec(screen.getByText(/left in this block/).textContent!)?.[1];
  const before = left();
  press('Done');
  press('Done');
  expect(left()).not.toBe(before);
  expect(screen.queryByText('Mind the tips', { exact: false })).toBeNull();
});

test('no blocks yet is said', () => {
  atPhone([]);
  expect(screen.getByText(/Your host has not brought in a block yet/)).toBeTruthy();
});
