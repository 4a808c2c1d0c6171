import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { answering, refused, settled, unreachable } from './testing';
import { RefusedError, isForNow, send, sendForFile } from './api';
import { sayFlatness, formatLong } from './seamWords';
import { sayMeasure } from './sayMeasure';
import { middleOf, runPath, sidePath } from './outlinePath';
import { useOutbox } from './useOutbox';
import { useSavedDocument } from './useSavedDocument';
import { SaveButtons } from './SaveButtons';

beforeEach(() => {
  localStorage.clear();
  sessionStorage.clear();
});

const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

interface Words {
  readonly text: string;
}

/** A page with one document that saves itself. */
function Page({ isHeld = false, fit }: { readonly isHeld?: boolean; readonly fit?: (theirs: Words, mine: Words) => Words }) {
  const own = useSavedDocument<Words>({ projectId: 'p', name: 'extras', initial: { text: 'one' }, revision: 4, isHeld, ...(fit ? { fit } : {}) });
  return (
    <>
      <p>{own.present.text}</p>
      <p>{own.error?.code ?? 'no error'}</p>
      <button onClick={() => own.change({ text: `${own.present.text}+` })}>Add</button>
      <button onClick={() => own.adopt({ text: 'adopted' }, 9)}>Adopt</button>
      {own.showTheirs && <button onClick={own.showTheirs}>Theirs</button>}
      <SaveButtons {...own} />
    </>
  );
} // prettier-ignore

test('a document saves itself once the hands rest, under the revision it was read at, and goes on from the new one', async () => {
  const asked = answering({ 'PUT /api/projects/p/extras': ({ body }) => ({ revision: (body as { revision: number }).revision + 1 }) });
  render(<Page />);
  expect(screen.getByRole('button', { name: 'Saved' }).hasAttribute('disabled')).toBe(true);
  press('Add');
  press('Add');
  await screen.findByRole('button', { name: 'Saved' });
  press('Undo');
  expect(screen.getByText('one+')).toBeTruthy();
  await waitFor(() => expect(asked.map(({ body }) => body)).toEqual([{ extras: { text: 'one++' }, revision: 4 }, { extras: { text: 'one+' }, revision: 5 }]));
  press('Redo');
  expect(screen.getByText('one++')).toBeTruthy();
  // What the server changed for us has no steps before it, and is saved already.
  press('Adopt');
  expect(screen.getByText('adopted')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Undo' }).hasAttribute('disabled')).toBe(true);
  press('Add');
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ extras: { text: 'adopted+' }, revision: 9 }));
}); // prettier-ignore

test('what cannot be read yet is not saved; “Save now” does not wait', async () => {
  const asked = answering({ 'PUT /api/projects/p/extras': () => ({ revision: 5 }) });
  const { rerender } = render(<Page isHeld />);
  press('Add');
  await act(() => new Promise((resolve) => setTimeout(resolve, 1200)));
  expect(asked).toEqual([]);
  rerender(<Page />);
  press('Save now');
  await screen.findByRole('button', { name: 'Saved' });
  expect(asked).toHaveLength(1);
});

test.each([422, 503])('what was refused with %d waits, and is saved by itself once it is changed or taken back', async (status) => {
  const answers: unknown[] = [refused(status, 'odd')];
  const asked = answering({ 'PUT /api/projects/p/extras': () => answers.shift() ?? { revision: 4 + asked.length } });
  render(<Page />);
  press('Add');
  await screen.findByText('odd');
  press('Add');
  expect(screen.getByText('no error')).toBeTruthy();
  await waitFor(() => expect(asked.map(({ body }) => (body as { extras: Words }).extras.text)).toEqual(['one+', 'one++']));
  await screen.findByRole('button', { name: 'Saved' });
  answers.push(refused(status, 'odd'));
  press('Add');
  await screen.findByText('odd');
  // What is saved needs no saving again.
  press('Undo');
  expect([screen.getByText('no error') !== null, asked.length]).toEqual([true, 3]);
  await screen.findByRole('button', { name: 'Saved' });
}); // prettier-ignore

test('what a lost connection kept is tried again by itself, with the word of it left standing; what was refused is not', async () => {
  vi.useFakeTimers();
  const answers: (() => unknown)[] = [unreachable, unreachable, () => refused(503, 'away')];
  const asked = answering({ 'PUT /api/projects/p/extras': () => answers.shift()?.() ?? { revision: 5 } });
  const after = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));
  render(<Page />);
  press('Add');
  await after(800);
  const word = screen.getByText(/^(?!no error)[a-z-]+$/, { selector: 'p:nth-of-type(2)' });
  const seen = new Set<string>();
  new MutationObserver(() => seen.add(word.textContent)).observe(word, { characterData: true, subtree: true, childList: true });
  await after(4900);
  expect(asked).toHaveLength(1);
  await after(100);
  expect(asked).toHaveLength(2);
  // The connection is back before the five seconds are over.
  await act(async () => void window.dispatchEvent(new Event('online')));
  expect(asked).toHaveLength(3);
  expect([word.textContent, seen.has('no error')]).toEqual(['away', false]);
  await after(5000);
  expect([word.textContent, asked.length]).toEqual(['no error', 4]);
  expect(screen.getByRole('button', { name: 'Saved' })).toBeTruthy();
  await after(20_000);
  expect(asked).toHaveLength(4);
  answers.push(() => refused(422, 'odd'));
  press('Add');
  await after(30_000);
  expect([word.textContent, asked.length]).toEqual(['odd', 5]);
}); // prettier-ignore

/** A server that keeps what is put under its revision; answers to the first `lost` puts are lost on the way. */
function answersLost(lost: number) {
  const server = { text: 'one', revision: 4 };
  const asked = answering({
    'PUT /api/projects/p/extras': ({ body }) => {
      const { extras, revision } = body as { extras: Words; revision: number };
      if (revision !== server.revision) return refused(409, 'conflict', { current: { extras: { text: server.text }, revision: server.revision } });
      Object.assign(server, { text: extras.text, revision: revision + 1 });
      return asked.length <= lost ? unreachable() : { revision: server.revision };
    },
  });
  return { server, asked };
} // prettier-ignore

test('where the answer alone was lost, what the server has is one’s own: nobody is said to have changed it', async () => {
  const { asked } = answersLost(1);
  render(<Page />);
  press('Add');
  await screen.findByText('offline');
  press('Save now');
  await screen.findByRole('button', { name: 'Saved' });
  expect([screen.getByText('no error') !== null, screen.queryByRole('button', { name: 'Theirs' })]).toEqual([true, null]);
  press('Add');
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ extras: { text: 'one++' }, revision: 5 }));
  await screen.findByRole('button', { name: 'Saved' });
}); // prettier-ignore

test('so it is where the host typed on before the answer was missed; what someone else saved meanwhile is theirs', async () => {
  const { server, asked } = answersLost(1);
  render(<Page />);
  press('Add');
  await screen.findByText('offline');
  press('Add');
  await screen.findByRole('button', { name: 'Saved' });
  expect(asked.map(({ body }) => body)).toEqual([
    { extras: { text: 'one+' }, revision: 4 },
    { extras: { text: 'one++' }, revision: 4 },
    { extras: { text: 'one++' }, revision: 5 },
  ]);
  // Another saved what was sent and answered long ago.
  Object.assign(server, { text: 'one+', revision: 7 });
  press('Add');
  await screen.findByText('conflict');
  expect([asked.length, server.text]).toEqual([4, 'one+']);
});

test('who saved meanwhile is not overwritten: theirs is shown made to fit, undo brings mine back and saves it over theirs', async () => {
  const answers = [refused(409, 'conflict', { current: { extras: { text: 'theirs' }, revision: 7 } }), { revision: 8 }, { revision: 9 }];
  const asked = answering({ 'PUT /api/projects/p/extras': () => answers.shift() });
  render(<Page fit={(theirs, mine) => ({ text: `${theirs.text} (${mine.text})` })} />);
  press('Add');
  await screen.findByText('conflict');
  press('Theirs');
  expect(screen.getByText('theirs (one+)')).toBeTruthy();
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ extras: { text: 'theirs (one+)' }, revision: 7 }));
  press('Undo');
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ extras: { text: 'one+' }, revision: 8 }));
  expect(screen.queryByRole('button', { name: 'Theirs' })).toBeNull();
}); // prettier-ignore

test('a page with something unsaved, or that cannot be read, asks before it is closed', async () => {
  answering({ 'PUT /api/projects/p/extras': () => ({ revision: 5 }) });
  const asks = () => !window.dispatchEvent(new Event('beforeunload', { cancelable: true }));
  const { rerender } = render(<Page />);
  expect(asks()).toBe(false);
  press('Add');
  expect(asks()).toBe(true);
  await screen.findByRole('button', { name: 'Saved' });
  expect(asks()).toBe(false);
  rerender(<Page isHeld />);
  expect(asks()).toBe(true);
});

test.each([
  [true, [0, 408, 425, 429, 500, 502, 503]],
  [false, [400, 401, 403, 404, 409, 410, 413, 422, 499]],
])('for now only: %s of %j', (isSo, statuses) => {
  for (const status of statuses)
    expect(isForNow(new RefusedError(status, 'odd', '', '')), `${status}`).toBe(isSo);
});

/** A page from which numbers are sent. */
function Sender({ deliver, onRefused, onSent }: { readonly deliver: (item: number) => Promise<void>; readonly onRefused: (refusal: RefusedError, item: number) => void; readonly onSent: () => void }) {
  const { waiting, put, isOffline } = useOutbox<number>({ key: 'box', deliver, onRefused, onSent });
  return (
    <>
      <p>{`${waiting.join()} ${isOffline ? 'offline' : 'online'}`}</p>
      <button onClick={() => put(waiting.length + 1)}>Put</button>
    </>
  );
} // prettier-ignore

test('what waits is sent in its order, kept over a lost connection and a page that was left, and told once it is gone', async () => {
  let isDown = true;
  const got: number[] = [];
  const deliver = async (item: number) => {
    if (isDown) throw new RefusedError(0, 'offline', 'Not there.', 'Wait.');
    got.push(item);
  };
  const [onRefused, onSent] = [vi.fn(), vi.fn()];
  const { unmount } = render(<Sender {...{ deliver, onRefused, onSent }} />);
  press('Put');
  press('Put');
  await screen.findByText('1,2 offline');
  unmount();
  isDown = false;
  render(<Sender {...{ deliver, onRefused, onSent }} />);
  await waitFor(() => expect(got).toEqual([1, 2]));
  await screen.findByText(/^\s*online$/);
  expect([onRefused.mock.calls.length, onSent.mock.calls.length]).toEqual([0, 1]);
});

test('what the server will not have is told and never sent again, a busy server is asked again; those behind go on', async () => {
  const statuses = [422, 503, 429, 200, 200];
  const tried: number[] = [];
  const deliver = async (item: number) => {
    tried.push(item);
    const status = statuses.shift() ?? 200;
    if (status >= 400) throw new RefusedError(status, 'no', 'No.', 'Mend it.');
  };
  const refusals: [number, number][] = [];
  const onRefused = (refusal: RefusedError, item: number) => void refusals.push([refusal.status, item]);
  render(<Sender {...{ deliver, onRefused, onSent: () => undefined }} />);
  press('Put');
  await waitFor(() => expect(refusals).toEqual([[422, 1]]));
  press('Put');
  await screen.findByText('1 offline');
  fireEvent(window, new Event('online'));
  await waitFor(() => expect(tried).toEqual([1, 1, 1]));
  fireEvent(window, new Event('online'));
  await screen.findByText(/^\s*online$/);
  expect([tried, refusals]).toEqual([[1, 1, 1, 1], [[422, 1]]]);
}); // prettier-ignore

test('an answer is read as JSON or as a file; a refusal says what, where and how to mend, silence that nobody is there', async () => {
  answering({
    'GET /a': () => ({ one: 1 }),
    'POST /b': () => new Response('%PDF'),
    'PUT /c': () => refused(409, 'conflict', { where: 'name', current: { two: 2 } }),
    'PUT /d': () => new Response('no JSON', { status: 500 }),
    'POST /e': () => unreachable(),
  });
  expect(await send('GET', '/a')).toEqual({ one: 1 });
  expect(await (await sendForFile('/b', {})).text()).toBe('%PDF');
  await expect(send('PUT', '/c', {})).rejects.toMatchObject({ status: 409, code: 'conflict', where: 'name', current: { two: 2 }, mend: 'Mend it.' }); // prettier-ignore
  await expect(send('PUT', '/d')).rejects.toMatchObject({
    status: 500,
    code: 'unknown',
    what: 'The server refused.',
  });
  await expect(sendForFile('/e', {})).rejects.toMatchObject({ status: 0, code: 'offline' });
  await settled();
});

test('measures that tell look-alikes apart, seams that do not lie flat and long runs are said so that they are read aright', () => {
  const length = { name: 'width', unit: 'mm', a: 25.4, b: 24.6 } as never;
  expect([sayMeasure(length, 'a', 'inch'), sayMeasure(length, 'b', 'metric')]).toEqual([
    '1″ (25.4 mm)',
    '24.6 mm',
  ]);
  expect(sayMeasure({ name: 'tip', unit: 'deg', a: 60, b: 72 } as never, 'b', 'inch')).toBe('72°');
  const faults = [{ missingDeg: 2, patches: ['a', 'b'], at: { x: 0, y: 0 } }, { missingDeg: -5.04, patches: ['b', 'x'], at: { x: 0, y: 0 } }]; // prettier-ignore
  const numbers = new Map([['a', 1], ['b', 2]]); // prettier-ignore
  expect(sayFlatness({ innerPoints: 3, faults }, numbers)).toBe('no, it ruffles: 5.0° too much round patches 2, x, and at 1 more'); // prettier-ignore
  expect(sayFlatness({ innerPoints: 3, faults: faults.slice(0, 1) }, numbers)).toBe('no, it cups: 2.0° are missing round patches 1, 2'); // prettier-ignore
  expect([0, 1, 4].map((innerPoints) => sayFlatness({ innerPoints, faults: [] }, numbers))).toEqual(['yes: no point is surrounded', 'yes: 360° round each of 1 point', 'yes: 360° round each of 4 points']); // prettier-ignore
  expect([formatLong(1499, 'metric'), formatLong(1500, 'metric'), formatLong(914.4 * 2, 'inch')]).toEqual(['1499 mm', '1.50 m', '2.00 yd']); // prettier-ignore
});

test('runs and sides as path data: to a thousandth, curves kept, numbers in the middle', () => {
  const half = { corners: [{ x: 0, y: 0 }, { x: 10, y: 0 }, { x: 10, y: 6 }], bulges: [0, 0, 0] }; // prettier-ignore
  expect(runPath([{ x: 1 / 3, y: 0 }, { x: 2, y: 1e-9 }])).toBe('M0.333 0L2 0'); // prettier-ignore
  expect(sidePath(half, 1)).toBe('M10 0L10 6');
  expect(sidePath({ ...half, bulges: [1, 0, 0] }, 0).split('L').length).toBeGreaterThan(8);
  expect(middleOf(half)).toEqual({ x: 20 / 3, y: 2 });
});
