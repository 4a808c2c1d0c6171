import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { boxOf } from '@/core/geometry';
import { formatThread } from '@/core/length';
import { batchesOf, waitsFor, type BasteStep } from '@/core/sheet';
import { times } from '@/core/words';
import { answering, refused, unreachable, type Asked } from '@/ui/testing';
import { MakerPage } from './MakerPage';
import { atPhone, block } from './testing/atPhone';
import { storeKey } from './tickStore';

const EVENTS = 'POST /api/m/secret-token/events';

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

test('a paper to wrap is shown as it lies, letter towards the hand: the mirror of the front, as large', () => {
  answering({ [EVENTS]: () => ({}) });
  const { sheet } = atPhone().initial.blocks[0]!;
  const paper = sheet.patches[(sheet.steps[0] as BasteStep).patches[0]!]!;
  const { minX, maxX } = boxOf(paper.outline);
  const picture = screen.getByRole('img', { name: `The paper side: ${paper.foldOrder.length} sides to fold, 1 first` });
  expect(picture.querySelector('g')?.getAttribute('transform')).toBe(`matrix(-1 0 0 1 ${minX + maxX} 0)`);
}); // prettier-ignore

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

test('where all blocks are sewn the first of them is shown', () => {
  answering({ [EVENTS]: () => ({}) });
  const sewn = (id: string) => {
    const own = block(id, 'star');
    return { ...own, done: own.sheet.steps.map((step) => step.id) };
  };
  atPhone([sewn('a'), sewn('b')]);
  expect(screen.getByText('Block a is sewn.')).toBeTruthy();
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

test('like units are one thing with a counter: one more, one less, all; each counts as the step it is', async () => {
  const asked = answering({ [EVENTS]: () => ({}) });
  const beams = block('a', 'beams', {}, { school: 'best', isBatched: true });
  const { steps } = beams.sheet;
  const { from, name, count, size } = batchesOf(steps).find((batch) => batch.count > 2)!;
  expect(size).toBe(1);
  atPhone([{ ...beams, done: steps.slice(0, from).map(({ id }) => id) }]);
  const group = await screen.findByRole('group', { name: `${name}, ${count} to make` });
  const made = () => Number(/· (\d+) done/.exec(group.textContent!)?.[1]);
  const press = (label: string) => fireEvent.click(within(group).getByRole('button', { name: label }));
  // The picture is of the unit that is next, by the numbers of its papers.
  const drawn = () => group.querySelector('[data-unit]')!.getAttribute('data-unit')!.split(' ').map(Number);
  const unitOf = (copy: number) => {
    const step = steps[from + copy]!;
    return step.kind === 'join' ? [...step.left, ...step.right].map((patch) => patch + 1) : [];
  };
  expect(made()).toBe(0);
  expect(drawn()).toEqual(unitOf(0));
  expect(within(group).getByRole('button', { name: `One ${name} less` }).hasAttribute('disabled')).toBe(true);
  press(`One ${name} more`);
  expect(drawn()).toEqual(unitOf(1));
  press(`One ${name} more`);
  expect(made()).toBe(2);
  press(`One ${name} less`);
  expect(made()).toBe(1);
  press(`All ${count} done`);
  expect(heading()).toMatch(new RegExp(`^Step ${from + count + 1} of `));
  await waitFor(() => expect(kept().ticks).toEqual([]));
  const own = steps.slice(from, from + count).map(({ id }) => id);
  expect(sent(asked).map(({ kind, stepId }) => [kind, own.indexOf(stepId)])).toEqual([
    ['done', 0], ['done', 1], ['undone', 1], ...own.slice(1).map((_, i) => ['done', i + 1]),
  ]);
}); // prettier-ignore

test('all steps: looked at ahead, ticked where the plan allows it, taken back anywhere; the whole block shows what is sewn', async () => {
  const asked = answering({ [EVENTS]: () => ({}) });
  const star = block('a', 'star');
  const { steps } = star.sheet;
  const bastes = steps.filter(({ kind }) => kind === 'baste').length;
  atPhone([star]);
  press('All steps, and the whole block');
  const list = await screen.findByRole('region', { name: 'All steps' });
  const row = (label: string) => within(list).queryByRole('button', { name: label });
  const sewn = () => within(list).getByRole('img').querySelectorAll('[data-sewn=true]').length;
  // Any paper may be basted first; a join waits, and says for what.
  expect(row(`Step ${bastes}: done`)).toBeTruthy();
  steps.forEach((step, index) => {
    const waits = waitsFor(steps, index, () => false);
    expect(row(`Step ${index + 1}: done`) !== null).toBe(waits === undefined);
    if (waits !== undefined) expect(within(list).getAllByRole('listitem')[index]!.textContent).toContain(`after step ${waits + 1}`);
  });
  for (let index = bastes; index >= 1; index--) fireEvent.click(row(`Step ${index}: done`)!);
  expect(sewn()).toBe(0);
  fireEvent.click(row(`Step ${bastes + 1}: done`)!);
  expect(sewn()).toBe(2);
  expect(list.textContent).toContain(`${bastes + 1} of ${steps.length} steps done`);
  fireEvent.click(row('Step 1: not done after all')!);
  expect(heading()).toMatch(/^Step 1 of /);
  await waitFor(() => expect(sent(asked)).toHaveLength(bastes + 2));
  fireEvent.click(row(`Step ${steps.length}: look`)!);
  expect(heading()).toMatch(new RegExp(`^Step ${steps.length} of `));
  expect(screen.getByRole('button', { name: /^After step \d+$/ }).hasAttribute('disabled')).toBe(true);
  press('Back to where I am');
  expect(heading()).toMatch(/^Step 1 of /);
  fireEvent.click(row('Step 2: look')!);
  expect(screen.getByRole('button', { name: 'Done already' }).hasAttribute('disabled')).toBe(true);
}); // prettier-ignore

test('signs and how-to are drawn for the hand that sews, which the phone remembers', async () => {
  const { unmount } = atPhone();
  press('Signs, and how to');
  const help = await screen.findByRole('region', { name: 'Signs and how to' });
  expect(within(help).getAllByRole('img', { hidden: true }).every((one) => /drawn for the right hand$/.test(one.getAttribute('aria-label')!))).toBe(true);
  for (const word of ['Wrap a paper', 'A sharp corner', 'A curve', 'Whip stitch', 'Knot', 'Slide', 'Fold a paper at a bend', 'Take a paper out']) expect(help.textContent).toContain(word);
  fireEvent.change(screen.getByRole('combobox', { name: 'I sew with my' }), { target: { value: 'left' } });
  unmount();
  atPhone();
  press('Signs, and how to');
  const again = await screen.findByRole('region', { name: 'Signs and how to' });
  expect(again.querySelectorAll('g[transform^="matrix(-1"]').length).toBe(8);
}); // prettier-ignore

test('a unit of several steps counts as one: one more ticks all its steps, one less takes them back from the last', async () => {
  const asked = answering({ [EVENTS]: () => ({}) });
  const beams = block('a', 'beams', {}, { school: 'figures', isBatched: false });
  const { steps } = beams.sheet;
  const { from, name, count, size } = batchesOf(steps).find((batch) => batch.size > 1)!;
  atPhone([{ ...beams, done: steps.slice(0, from).map(({ id }) => id) }]);
  const group = await screen.findByRole('group', { name: `${name}, ${count} to make` });
  expect(group.textContent).toContain(`${size} steps each`);
  const own = (label: string) => fireEvent.click(within(group).getByRole('button', { name: label }));
  own(`One ${name} more`);
  expect(group.textContent).toContain('1 done');
  own(`One ${name} less`);
  expect(group.textContent).toContain('0 done');
  await waitFor(() => expect(sent(asked)).toHaveLength(2 * size));
  const first = steps.slice(from, from + size).map(({ id }) => id);
  expect(sent(asked).map(({ kind, stepId }) => [kind, first.indexOf(stepId)])).toEqual([
    ...first.map((_, i) => ['done', i]),
    ...first.map((_, i) => ['undone', size - 1 - i]),
  ]);
}); // prettier-ignore

test('in the bag: papers with spares and hands, cloth as cut, what to lay ready, what to save', async () => {
  const beams = block('a', 'beams', { saved: '6 × 1″ hexagon', instead: [{ what: 'Fog, kite, 2″ × 3″', instead: 'Slate' }] });
  atPhone([beams]);
  press('In the bag, and how to begin');
  const bag = await screen.findByRole('region', { name: 'In the bag' });
  expect(bag.textContent).toContain('In your bag: Slate in place of Fog, kite, 2″ × 3″.');
  expect(bag.textContent).not.toContain('As you chose');
  for (const { name, count, spares, left, right } of beams.sheet.bag.papers) {
    const line = within(bag).getAllByRole('listitem').find(({ textContent }) => textContent!.includes(times(count + spares, name)))!;
    if (left + right > 0) expect(line.textContent).toContain(`wrap ${left} L and ${right} R`);
  }
  expect(bag.textContent).toContain(`about ${formatThread(beams.sheet.thread.metres, 'inch')} of thread`);
  expect(bag.textContent).toContain('save for later blocks: 6 × 1″ hexagon.');
  // Half as much seam for a needleful is twice the thread; kept on the device, and put back.
  const { seamOfNeedlefulMm, metres } = beams.sheet.thread;
  fireEvent.change(within(bag).getByLabelText('Mine sewed'), { target: { value: '1 mm' } });
  press('Keep it');
  expect(within(bag).getByRole('alert').textContent).toContain('“1 mm” cannot be.');
  fireEvent.change(within(bag).getByLabelText('Mine sewed'), { target: { value: `${seamOfNeedlefulMm / 2} mm` } });
  press('Keep it');
  expect(bag.textContent).toContain(`about ${formatThread(2 * metres, 'inch')} of thread`);
  expect(bag.textContent).toContain('By your own measure');
  press('As usual again');
  expect(bag.textContent).toContain(`about ${formatThread(metres, 'inch')} of thread`);
}); // prettier-ignore

test('what was done with other papers is to be done again: said at the top, with what to do, until it is', async () => {
  answering({ [EVENTS]: () => ({}) });
  const star = block('a', 'star');
  const { steps } = star.sheet;
  const done = steps.slice(1, 4).map(({ id }) => id);
  atPhone([{ ...star, done, changed: [steps[0]!.id] }]);
  const note = await screen.findByText('Your host changed papers or cloth of this block.');
  expect(note.parentElement!.textContent).toContain('1 step that you had done is to be done again:');
  expect(note.parentElement!.textContent).toContain('Step 1: Baste');
  expect(heading()).toMatch(/^Step 1 of /);
  press('Done');
  await waitFor(() =>
    expect(screen.queryByText('Your host changed papers or cloth of this block.')).toBeNull(),
  );
});

test('a tick says what it was done with; one that waits and was made with other papers does not count', async () => {
  const asked = answering({ [EVENTS]: () => ({}) });
  const star = block('a', 'star');
  const [first, second] = star.sheet.steps;
  const waits = { clientId: '1', blockId: 'a', stepId: second!.id, kind: 'done', at: '2026-11-01T10:00:00Z', made: 'other' };
  localStorage.setItem(storeKey('m1'), JSON.stringify({ ticks: [waits] }));
  atPhone([star]);
  expect(await screen.findByText('Your host changed papers or cloth of this block.')).toBeTruthy();
  press('Done');
  expect(heading()).toMatch(/^Step 2 of /);
  await waitFor(() => expect(sent(asked)).toHaveLength(2));
  expect(asked.flatMap(({ body }) => (body as { events: { made: string; stepId: string }[] }).events).find(({ stepId }) => stepId === first!.id)?.made).toBe(first!.made);
}); // prettier-ignore

test('the guide to troubles opens at the step it is for, and closes with it', async () => {
  answering({ [EVENTS]: () => ({}) });
  atPhone([block('a', 'star')]);
  press('If something goes wrong here');
  expect(await screen.findByText(/^If something goes wrong here \(\d+\)$/)).toBeTruthy();
  expect(screen.getAllByText('What to do').length).toBeGreaterThan(0);
  press('Done');
  expect(screen.queryByText('What to do')).toBeNull();
});
