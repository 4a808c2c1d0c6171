import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { SWRConfig } from 'swr';
import { expect, test } from 'vitest';
import { USUAL_QUIET, USUAL_TEXTS, type DueReminder } from '@/core/reminders';
import type { Contact } from '@/server/makers';
import type { Message, RemindersPage } from '@/server/reminders';
import { Notices } from '@/ui/Notices';
import { answering, refused, type Asked } from '@/ui/testing';
import { RemindersStation } from './RemindersStation';
import { SwitchOff } from './SwitchOff';

const contact = (makerId: string, name: string, email: string | null, wantsMail = true): Contact => ({ makerId, name, email, timeZone: null, wantsMail }); // prettier-ignore
const message = (makerId: string, more: Partial<Message> = {}): Message => ({
  id: `x${makerId}`, makerId, maker: makerId, occasion: 'drop', reason: 'Drop 1 is in 4 days.', subject: 'Soon', body: 'Dear you', state: 'draft', revision: 1,
  sendAt: null, tries: 0, says: '', madeAt: '2026-03-01T10:00:00Z', ...more,
}); // prettier-ignore
const PAGE: RemindersPage = {
  messages: [message('Ann'), message('Bea'), message('Cyd'), message('Dot', { occasion: 'quiet', reason: 'Two own gaps.' })],
  contacts: [contact('Ann', 'Ann', 'ann@x.example'), contact('Bea', 'Bea', null), contact('Cyd', 'Cyd', 'cyd@x.example', false), contact('Dot', 'Dot', 'dot@x.example')],
  settings: { texts: USUAL_TEXTS, quiet: USUAL_QUIET },
  revision: 3,
  standIn: { trouble: 'none', taken: [{ id: 'x1', recipient: 'ann@x.example', subject: 'Soon', body: 'Dear Ann', at: '2026-03-01T10:00:00Z' }] },
}; // prettier-ignore

function at(routes: Record<string, (asked: Asked) => unknown> = {}, page = PAGE) {
  const asked = answering({ 'GET /api/projects/p/reminders': () => page, ...routes });
  render(
    <SWRConfig value={{ provider: () => new Map() }}>
      <Notices>
        <RemindersStation projectId="p" initial={page} />
      </Notices>
    </SWRConfig>,
  );
  return () => asked.map(({ body }) => body).filter(Boolean);
}
const POST = 'POST /api/projects/p/reminders';
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const tick = (name: string) => screen.getByRole('checkbox', { name }) as HTMLInputElement;

test('drafts stand by what they are for; only those who can be written to are ticked, and sent as they were looked at', async () => {
  const sent = at({ [POST]: ({ body }) => ('turn' in (body as object) ? { turned: 0 } : { queued: 1, noAddress: 0, switchedOff: 0, changed: 1 }) }); // prettier-ignore
  expect(screen.getByRole('heading', { name: 'Drop 1 is in 4 days. 3 makers' })).toBeTruthy();
  expect(
    within(screen.getByRole('region', { name: 'Not heard from.' })).getByText('Two own gaps.'),
  ).toBeTruthy();
  expect(['Ann', 'Bea', 'Cyd', 'Dot'].map((name) => tick(`Send to ${name}`).checked)).toEqual([true, false, false, true]); // prettier-ignore
  expect([tick('Send to Bea').disabled, tick('Send to Cyd').disabled]).toEqual([true, true]);
  expect(screen.getByText(/^2 drafts cannot go by mail/)).toBeTruthy();
  expect(screen.getByText(/has switched reminders off/)).toBeTruthy();
  fireEvent.click(tick('Send to Dot'));
  press('Send off 1');
  await screen.findByText('1 reminder on the way. 1 changed meanwhile: look again.');
  expect(sent()).toContainEqual({ approve: [{ id: 'xAnn', revision: 1 }] });
  press('Undo');
  await waitFor(() => expect(sent()).toContainEqual({ turn: 'back', ids: ['xAnn'] }));
  await screen.findByText('0 reminders called back; 1 had left already.');
  expect(tick('Send to Dot').checked).toBe(false);
});

test('a reminder is read and changed; what someone else did meanwhile is said and nothing typed is lost', async () => {
  let isRefused = true;
  const sent = at({ [POST]: () => (isRefused ? refused(409, 'conflict') : { revision: 2 }) });
  press('Read the reminder to Ann');
  const keep = screen.getByRole('button', { name: 'Keep these words' });
  expect(keep.hasAttribute('disabled')).toBe(true);
  fireEvent.change(screen.getByLabelText('Text'), { target: { value: 'Dear Ann, bring tea' } });
  fireEvent.click(keep);
  await screen.findByRole('alert');
  expect((screen.getByLabelText('Text') as HTMLTextAreaElement).value).toBe('Dear Ann, bring tea');
  isRefused = false;
  fireEvent.click(keep);
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  expect(sent().at(-1)).toEqual({ change: { id: 'xAnn', revision: 1, subject: 'Soon', body: 'Dear Ann, bring tea' } }); // prettier-ignore
});

test('drafting says how many are new, or that nobody is due', async () => {
  let made = 2;
  at({ [POST]: () => ({ made }) }, { ...PAGE, messages: [] });
  press('Draft what is due');
  await screen.findByText('2 reminders drafted. Nothing has left the house.');
  made = 0;
  press('Draft what is due');
  await screen.findByText(/^Nothing new is due/);
});

test('what is in trouble comes first, with what can be done; what is being sent cannot be called back', async () => {
  const messages = [
    message('Ann', { state: 'sending' }),
    message('Bea', { state: 'queued', tries: 2, sendAt: '2026-03-02T08:00:00Z', says: '450 not now' }),
    message('Cyd', { state: 'unsure' }),
    message('Dot', { state: 'failed', says: '550 nobody here' }),
  ];
  const sent = at({ [POST]: () => ({ turned: 1 }) }, { ...PAGE, messages });
  press('Sent off (2 in trouble)');
  const rows = screen.getAllByRole('row').slice(1);
  expect(rows.map((row) => row.querySelector('td')?.textContent)).toEqual(['Cyd', 'Dot', 'Ann', 'Bea']);
  expect(rows[3]?.textContent).toContain('on the way after 2 tries, not before Mon');
  expect(within(rows[2] as HTMLElement).queryAllByRole('button')).toEqual([]);
  press('Try again: Dot');
  await waitFor(() => expect(sent()).toContainEqual({ turn: 'again', ids: ['xDot'] }));
  await waitFor(() => expect(screen.getByRole('button', { name: 'It has arrived: Cyd' }).hasAttribute('disabled')).toBe(false)); // prettier-ignore
  press('It has arrived: Cyd');
  await waitFor(() => expect(sent()).toContainEqual({ turn: 'arrived', ids: ['xCyd'] }));
});

test('an address is written down or refused with the reason; an empty one is forgotten', async () => {
  let isRefused = true;
  const sent = at({ 'PATCH /api/projects/p/makers/Bea': () => (isRefused ? refused(422, 'invalid') : {}) });
  press('Addresses');
  press('Address of Bea');
  fireEvent.change(screen.getByLabelText('E-mail address'), { target: { value: 'bea@' } });
  press('Keep');
  await screen.findAllByRole('alert');
  isRefused = false;
  fireEvent.change(screen.getByLabelText('E-mail address'), { target: { value: '  ' } });
  press('Keep');
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  expect(sent().at(-1)).toEqual({ contact: { email: null, timeZone: null } });
});

test('words are tried on the makers whom they concern, and saved under their revision', async () => {
  const due: DueReminder[] = ['Ann', 'Bea', 'Cyd', 'Dot'].map((name) => ({ makerId: name, occasion: 'drop', key: 'k', reason: '', values: { name, drop: 'Drop 1', day: 'Sunday' } })); // prettier-ignore
  const sent = at({ [POST]: () => ({ due }), 'PUT /api/projects/p/reminders': () => ({ revision: 4 }) });
  press('Your words');
  expect(screen.queryByRole('button', { name: 'Back to the usual words' })).toBeNull();
  const type = (value: string) =>
    fireEvent.change(screen.getByLabelText('Usual subject'), { target: { value } });
  type('Soon');
  press('Back to the usual words');
  expect(screen.getByLabelText<HTMLInputElement>('Usual subject').value).toBe(USUAL_TEXTS.drop.subject);
  // What is typed letter by letter is taken back at once.
  type('Sooner');
  type('Soonest');
  press('Undo');
  expect(screen.getByLabelText<HTMLInputElement>('Usual subject').value).toBe(USUAL_TEXTS.drop.subject);
  type('{drop} comes {day}, {name}');
  press('See how it reads now');
  await screen.findByText('Drop 1 comes Sunday, Ann');
  // Tried, not told to anybody.
  expect(sent()).toContainEqual({ preview: true });
  expect(screen.queryByText('Drop 1 comes Sunday, Dot')).toBeNull();
  expect(screen.getByText('and 1 more')).toBeTruthy();
  const texts = { ...USUAL_TEXTS, drop: { ...USUAL_TEXTS.drop, subject: '{drop} comes {day}, {name}' } };
  await waitFor(() => expect(sent()).toContainEqual({ reminders: { texts, quiet: USUAL_QUIET }, revision: 3 }), { timeout: 3000 }); // prettier-ignore
});

test('the stand-in shows what it took and is put into trouble', async () => {
  const sent = at({ [POST]: () => ({}) });
  press('Mail stand-in');
  expect(screen.getByText('Dear Ann')).toBeTruthy();
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'The stand-in' }));
  fireEvent.click(screen.getByRole('option', { name: 'refuses every letter' }));
  await waitFor(() => expect(sent()).toContainEqual({ trouble: 'refuses' }));
});

test('the link in a reminder switches nothing until it is pressed, and back again', async () => {
  const asked = answering({ 'POST /api/off/t': () => ({}) });
  render(<SwitchOff token="t" maker="Ann" project="Night" wantsMail />);
  expect(asked).toEqual([]);
  press('Switch them off');
  await screen.findByText(/^Reminders are switched off/);
  press('Switch them on again');
  await screen.findByText('Reminders are on.');
  expect(asked.map(({ body }) => body)).toEqual([{ wantsMail: false }, { wantsMail: true }]);
});

test('without makers the list of addresses says where they come from; one alone is a list', () => {
  const [ann] = PAGE.contacts;
  const none = 'No maker yet: add them at the station Makers.';
  at({}, { ...PAGE, contacts: [ann!] });
  press('Addresses');
  expect(screen.queryByText(none)).toBeNull();
  expect(screen.getByText('Ann')).toBeTruthy();
  cleanup();
  at({}, { ...PAGE, contacts: [] });
  press('Addresses');
  expect(screen.getByText(none)).toBeTruthy();
});
