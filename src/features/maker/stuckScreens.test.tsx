import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { answering, unreachable } from '@/ui/testing';
import { atPhone, block } from './testing/atPhone';
import { ranMs, takeMinutes, timerFor, timerKey, turned } from './timer';

const EVENTS = 'POST /api/m/secret-token/events';
const WORDS = '/api/m/secret-token/words';
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

test('stuck: what it looks like and what to do then; what is said goes after its tick, under the tick’s id, and the answer stands there', async () => {
  let isThere = false;
  const asked = answering({
    [EVENTS]: () => (isThere ? { upTo: 1 } : unreachable()),
    [`POST ${WORDS}`]: ({ body }) => {
      const { troubleId, text } = body as { troubleId: string; text: string };
      const { stepId } = sentTick();
      return [{ id: troubleId, blockId: 'a', stepId, symptom: 'fray', state: 'answered', at: '', words: [{ id: 'w', by: null, text, hasImage: false, at: '' }, { id: 'x', by: 'Hanna', text: 'Pull from the other side.', hasImage: false, at: '' }] }];
    },
  });
  const sentTick = () => (asked.find(({ path }) => path.endsWith('/events'))?.body as { events: { clientId: string; stepId: string; kind: string }[] }).events[0]!;
  atPhone();
  press('I’m stuck');
  const sign = await screen.findByRole('combobox', { name: 'It looks like this' });
  fireEvent.change(sign, { target: { value: 'fray' } });
  expect(screen.getByText(/Stop, pull from the other side/)).toBeTruthy();
  fireEvent.change(screen.getByRole('textbox', { name: /Tell your host more/ }), { target: { value: 'All threads are loose.' } });
  press('Tell my host');
  expect(await screen.findByText(/1 word waits/)).toBeTruthy();
  expect(asked.some(({ path }) => path === WORDS)).toBe(false);
  isThere = true;
  act(() => void window.dispatchEvent(new Event('online')));
  await waitFor(() => expect(screen.queryByText(/on this phone and will be sent/)).toBeNull());
  act(() => void window.dispatchEvent(new Event('online')));
  expect(await screen.findByText(/Pull from the other side\.$/)).toBeTruthy();
  const said = asked.filter(({ path, method }) => path === WORDS && method === 'POST');
  expect(said).toHaveLength(1);
  expect(said[0]?.body).toMatchObject({ troubleId: sentTick().clientId, symptom: 'fray', text: 'All threads are loose.' });
  press('I found out myself');
  await waitFor(() => expect(screen.queryByRole('heading', { name: 'Stuck here' })).toBeNull());
  await waitFor(() => expect(asked.filter(({ path }) => path.endsWith('/events')).flatMap(({ body }) => (body as { events: { kind: string }[] }).events.map(({ kind }) => kind)).at(-1)).toBe('undone'));
}); // prettier-ignore

test('an answer about another step is told on top, and leads there', async () => {
  answering({ [EVENTS]: () => ({}) });
  const star = block('a', 'star');
  const third = star.sheet.steps[2]!.id;
  atPhone([{ ...star, stuck: [third] }], {
    troubles: [{ id: 't', blockId: 'a', stepId: third, symptom: '', state: 'answered', at: '', words: [{ id: 'x', by: 'Hanna', text: 'Fold it twice.', hasImage: false, at: '' }] }],
  });
  expect(await screen.findByText(/Your host answered about step 3\./)).toBeTruthy();
  press('Read it');
  expect(await screen.findByText(/Fold it twice\./)).toBeTruthy();
}); // prettier-ignore

test('a timer runs on while nobody looks, stands when it is stopped, and gives its minutes with Done; a forgotten one gives none', async () => {
  const started = turned(timerFor('s', undefined), 1000);
  expect(ranMs(started, 61_000)).toBe(60_000);
  const stopped = turned(started, 61_000);
  expect(ranMs(stopped, 9_000_000)).toBe(60_000);
  expect(ranMs(turned(stopped, 100_000), 130_000)).toBe(90_000);
  expect(timerFor('other', JSON.stringify(started))).toEqual({ stepId: 'other', before: 0 });
  localStorage.setItem(timerKey('m1'), JSON.stringify(started));
  expect(takeMinutes('m1', 's', 1000 + 13 * 3_600_000)).toBeUndefined();
  expect(takeMinutes('m1', 's', 2000)).toBeUndefined();

  const asked = answering({ [EVENTS]: () => ({}) });
  const clock = vi.spyOn(Date, 'now').mockReturnValue(1_000_000);
  atPhone();
  press('Today with me');
  fireEvent.click(await screen.findByRole('button', { name: 'Time this step' }));
  clock.mockReturnValue(1_000_000 + 150_000);
  press('Done');
  await waitFor(() => expect(asked[0]?.body).toMatchObject({ events: [{ kind: 'done', minutes: 2.5 }] }));
  clock.mockRestore();
});

test('cautions follow what is said of the maker; letters grow and stay so on this phone', async () => {
  answering({ [EVENTS]: () => ({}) });
  const { container } = atPhone(undefined, { maker: { id: 'm1', name: 'Ada', isUnderAge: true, travels: false } });
  expect(screen.getByText(/only with a grown-up beside you/)).toBeTruthy();
  expect(screen.queryByText(/for the carrier to say/)).toBeNull();
  press('Today with me');
  fireEvent.click(await screen.findByRole('button', { name: 'Larger letters' }));
  expect(screen.getByRole('button', { name: 'Letters as usual' })).toBeTruthy();
  expect(localStorage.getItem('kevlo-letters')).toBe('large');
  expect(container.textContent).toMatch(/The next \d+ steps, about/);
}); // prettier-ignore

test('a picture of a finished block waits without a connection, is sent once, and is taken off again', async () => {
  const FINISHED = '/api/m/secret-token/finished';
  let isThere = false;
  const photo = { id: 'f1', blockId: 'a', makerId: 'm1', maker: 'Ada', width: 4, height: 3, isShared: false, at: '' };
  const asked = answering({
    [EVENTS]: () => ({}),
    [`GET ${FINISHED}`]: () => [{ ...photo, id: 'f2', makerId: 'm2', maker: 'Bo', isShared: true }],
    [`POST ${FINISHED}`]: ({ body }) => (!isThere ? unreachable() : 'isRemoved' in (body as object) ? [] : [photo]),
  });
  atPhone();
  press('Pictures of this block');
  expect(await screen.findByRole('img', { name: 'Finished block: Bo' })).toBeTruthy();
  const file = new File([new Uint8Array([1, 2, 3])], 'a.jpg', { type: 'image/jpeg' });
  fireEvent.change(document.querySelector('input[type=file]')!, { target: { files: [file] } });
  expect(await screen.findByText('A picture waits to be sent.')).toBeTruthy();
  isThere = true;
  act(() => void window.dispatchEvent(new Event('online')));
  expect(await screen.findByText(/Yours; seen by your host alone/)).toBeTruthy();
  const sent = asked.filter(({ method, path }) => method === 'POST' && path === FINISHED).map(({ body }) => body as { id: string; image: string });
  expect(new Set(sent.map(({ id }) => id)).size).toBe(1);
  expect(sent[0]?.image).toBe('AQID');
  press('Take it off');
  await waitFor(() => expect(screen.queryByText(/Yours/)).toBeNull());
}); // prettier-ignore
