import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import type { ListedTrouble } from '@/server/troubles';
import { Notices } from '@/ui/Notices';
import { FakeStream, answering, refused } from '@/ui/testing';
import { ClassView } from './ClassView';
import { TroublesPanel } from './TroublesPanel';

const trouble = (id: string, makerId: string, more: Partial<ListedTrouble> = {}): ListedTrouble => ({
  id, makerId, blockId: 'a', stepId: 's1', symptom: 'fray', state: 'open', assignedTo: null, isToTeach: false, revision: 1, at: '2026-11-20T10:00:00Z', words: [], step: { number: 7, text: 'Sew 1 to 2. Slowly.' }, ...more,
}); // prettier-ignore
const facts = {
  projectId: 'p1',
  makers: [{ id: 'm1', name: 'Ada' }, { id: 'm2', name: 'Bo' }, { id: 'm3', name: 'Cy' }],
  blocks: [{ id: 'a', name: 'Star' }],
  team: [{ id: 'h', name: 'Hanna' }],
}; // prettier-ignore
const two = [
  trouble('t1', 'm1', { words: [{ id: 'w', by: null, text: 'It comes apart.', hasImage: true, at: '' }] }),
  trouble('t3', 'm3', { symptom: '', at: '2026-11-01T10:00:00Z' }),
  trouble('t2', 'm2'),
];

function atTroubles(initial = two, mayEdit = true) {
  const server = { troubles: initial, refuses: '' };
  const asked = answering({
    'GET /api/projects/p1/troubles': () => server.troubles,
    'PATCH /api/projects/p1/troubles': ({ body }) =>
      (body as { id: string }).id === server.refuses ? refused(503, 'away') : {},
    'POST /api/projects/p1/troubles': () => ({}),
  });
  render(
    <Notices>
      <TroublesPanel {...facts} troubles={initial} mayEdit={mayEdit} />
    </Notices>,
  );
  return {
    server,
    sent: () => asked.filter(({ method }) => method !== 'GET').map(({ body }) => body as object),
  };
}
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const card = (index: number) => within(screen.getAllByRole('article')[index]!);

test('makers stuck at one step with one sign stand together, with step, guide, words and picture; one answer goes to all', async () => {
  const { sent } = atTroubles();
  expect(screen.getByText('Stuck: 3 makers at 2 places')).toBeTruthy();
  expect(screen.queryByRole('heading', { name: 'Teach next time' })).toBeNull();
  const first = card(0);
  expect(first.getByText(/^Star, step 7: Threads come loose/)).toBeTruthy();
  expect(first.getByText(/The guide says:/)).toBeTruthy();
  expect(first.getByText('“It comes apart.”')).toBeTruthy();
  expect(first.getByRole('img', { name: 'What Ada sent' }).getAttribute('src')).toBe('/api/projects/p1/troubles/w');
  expect(first.getByRole('link', { name: 'See the step' }).getAttribute('href')).toBe('/p/p1/order/a?step=s1');
  fireEvent.click(first.getByRole('button', { name: 'Begin with the guide’s words' }));
  const field = first.getByRole('textbox', { name: 'Answer to all 2' }) as HTMLTextAreaElement;
  expect(field.value).toMatch(/^Stop, pull from the other side/);
  fireEvent.click(first.getByRole('button', { name: 'Send it to 2 makers' }));
  await waitFor(() => expect(sent()).toMatchObject([{ id: 't1', kind: 'answer', text: field.value || expect.any(String) }, { id: 't2', kind: 'answer' }]));
  const ids = sent().map((one) => (one as { wordId: string }).wordId);
  expect(new Set(ids).size).toBe(2);
  await waitFor(() => expect(field.value).toBe(''));
}); // prettier-ignore

test('an answer that reached only some stays written and is sent again under its ids: nobody has it twice', async () => {
  const { server, sent } = atTroubles();
  server.refuses = 't2';
  const field = card(0).getByRole<HTMLTextAreaElement>('textbox', { name: 'Answer to all 2' });
  const send = () => fireEvent.click(card(0).getByRole('button', { name: 'Send it to 2 makers' }));
  fireEvent.change(field, { target: { value: 'A dab of starch.' } });
  send();
  expect(await screen.findByText(/Refused: away/)).toBeTruthy();
  expect(field.value).toBe('A dab of starch.');
  server.refuses = '';
  send();
  await waitFor(() => expect(field.value).toBe(''));
  const ids = sent().map((one) => one as { id: string; wordId: string }).map(({ id, wordId }) => `${id} ${wordId}`);
  expect(ids.slice(2)).toEqual(ids.slice(0, 2));
  // Other words are another answer.
  fireEvent.change(field, { target: { value: 'Wax the thread.' } });
  send();
  await waitFor(() => expect(sent()).toHaveLength(6));
  expect(new Set(sent().map((one) => (one as { wordId: string }).wordId)).size).toBe(4);
}); // prettier-ignore

test('settled with undo, given to someone, taught next time, put to the step for everybody: that only by hosts', async () => {
  const { sent, server } = atTroubles();
  fireEvent.click(card(1).getByRole('button', { name: 'It is settled' }));
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(sent()).toEqual([{ id: 't3', kind: 'settle' }, { id: 't3', kind: 'reopen' }])); // prettier-ignore
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Seen to by (Cy)' }));
  fireEvent.click(screen.getByRole('option', { name: 'Hanna' }));
  fireEvent.click(card(1).getByRole('button', { name: 'Teach next time' }));
  fireEvent.change(card(1).getByRole('textbox', { name: 'Answer' }), { target: { value: 'Fold twice.' } });
  fireEvent.click(card(1).getByRole('button', { name: 'Put it to the step for everybody' }));
  await waitFor(() => expect(sent().slice(2)).toEqual([{ id: 't3', kind: 'assign', accountId: 'h' }, { id: 't3', kind: 'teach', isToTeach: true }, { id: 't3', text: 'Fold twice.' }])); // prettier-ignore
  server.troubles = [trouble('t3', 'm3', { state: 'settled', isToTeach: true })];
  act(() => FakeStream.tell('troubles'));
  expect(await screen.findByText('Nobody is stuck')).toBeTruthy();
  expect(screen.getByRole('heading', { name: 'Teach next time' })).toBeTruthy();
  expect(
    screen.getByText('Star, step 7, Threads come loose at a fold or where glue was peeled.'),
  ).toBeTruthy();
});

test('a helper answers, and puts nothing to the step of all', () => {
  atTroubles(two, false);
  expect(card(0).queryByRole('button', { name: /everybody/ })).toBeNull();
  fireEvent.change(card(0).getByRole('textbox'), { target: { value: 'x' } });
  expect(screen.getAllByRole('button', { name: /^Send/ })[0]!.hasAttribute('disabled')).toBe(false);
  press('Send it to 2 makers');
});

test('the class sees who waves, and no longer once they are answered', async () => {
  const answers = { now: two };
  answering({ 'GET /api/projects/p1/troubles': () => answers.now });
  render(<ClassView {...facts} troubles={two} />);
  expect(screen.getByText('Wave: Ada, Bo')).toBeTruthy();
  answers.now = two.map((one) => ({ ...one, state: 'answered' as const }));
  act(() => FakeStream.tell('troubles'));
  expect(await screen.findByText('Nobody waves. Sew on.')).toBeTruthy();
});
