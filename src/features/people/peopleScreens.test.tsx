import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { answering, navigation, refused } from '@/ui/testing';
import { AgainPanel } from './AgainPanel';
import { BinPanel } from './BinPanel';
import { PeoplePanel } from './PeoplePanel';
import { StatePanel } from './StatePanel';

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

test('people: roles are changed, one is taken out or leaves, invitations are made and taken back', async () => {
  const server = {
    people: [
      { id: 'u1', name: 'Ada', email: 'a@example.org', role: 'host' },
      { id: 'u2', name: 'Bo', email: 'b@example.org', role: 'helper' },
    ],
    invitations: [{ id: 'i1', role: 'helper', expiresAt: '2026-04-01T00:00:00.000Z' }],
  };
  const path = '/api/projects/p1/people';
  const asked = answering({
    [`GET ${path}`]: () => server,
    [`PATCH ${path}`]: () => ({}),
    [`POST ${path}`]: () => ({ address: 'http://x/join/t' }),
  });
  render(<PeoplePanel projectId="p1" ownId="u1" />);
  const changes = () => asked.filter(({ method }) => method !== 'GET').map(({ body }) => body);
  fireEvent.mouseDown(await screen.findByRole('combobox', { name: 'Role of Bo' }));
  fireEvent.click(screen.getByRole('option', { name: /^host/ }));
  await waitFor(() => expect(changes()).toEqual([{ person: 'u2', role: 'host' }]));
  expect(screen.queryByText(/To hand the project over/)).toBeNull();
  await waitFor(() => expect(screen.getByRole('button', { name: 'Take out' }).hasAttribute('disabled')).toBe(false));
  press('Take out');
  await waitFor(() => expect(changes().at(-1)).toEqual({ person: 'u2', role: 'gone' }));
  await waitFor(() => expect(screen.getByRole('button', { name: 'Take it back' }).hasAttribute('disabled')).toBe(false));
  press('Take it back');
  await waitFor(() => expect(changes().at(-1)).toEqual({ invitation: 'i1' }));
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'The link is good for' }));
  fireEvent.click(screen.getByRole('option', { name: 'a month' }));
  press('Make an invitation link');
  expect((await screen.findByLabelText('Invitation link') as HTMLInputElement).value).toBe('http://x/join/t');
  expect(changes().at(-1)).toEqual({ role: 'helper', days: 30 });
}); // prettier-ignore

test('the bin puts back what it holds, by kind; the whole project is archived or binned', async () => {
  const asked = answering({ 'PATCH /api/projects/p1/.*': () => ({}), 'POST /api/projects/p1/state': () => ({}) });
  const lines = [
    { id: 'b1', kind: 'block', name: 'Star', removedAt: '2026-03-04T09:00:00.000Z' },
    { id: 'm1', kind: 'maker', name: 'Ada', removedAt: '2026-03-04T09:00:00.000Z' },
  ] as never;
  const { rerender } = render(<BinPanel projectId="p1" lines={lines} />);
  press('Put Star back');
  await waitFor(() => expect(asked[0]).toMatchObject({ path: '/api/projects/p1/blocks/b1', body: { isRemoved: false } }));
  await waitFor(() => expect(screen.getByRole('button', { name: 'Put Ada back' }).hasAttribute('disabled')).toBe(false));
  press('Put Ada back');
  await waitFor(() => expect(asked[1]).toMatchObject({ path: '/api/projects/p1/makers/m1' }));
  rerender(<BinPanel projectId="p1" lines={[]} />);
  expect(screen.getByText(/^Nothing here/)).toBeTruthy();
  render(<StatePanel projectId="p1" name="Coast" />);
  press('Archive it');
  await waitFor(() => expect(asked[2]?.body).toEqual({ state: 'archived' }));
  await waitFor(() => expect(within(document.body).getByRole('button', { name: 'Put Coast into the bin' }).hasAttribute('disabled')).toBe(false));
  press('Put Coast into the bin');
  await waitFor(() => expect(asked[3]?.body).toEqual({ state: 'binned' }));
}); // prettier-ignore

test('run again: a copy has a name of its own, and opens at what was written for next time; a refusal keeps the name', async () => {
  const answers = [refused(409, 'busy'), { id: 'p9' }];
  const asked = answering({ 'POST /api/projects/p1/again': () => answers.shift() });
  render(<AgainPanel projectId="p1" name="Coast" />);
  const name = screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of the new project' });
  expect(name.value).toBe('Coast, again');
  fireEvent.change(name, { target: { value: ' ' } });
  expect(screen.getByRole('button', { name: 'Copy it' }).hasAttribute('disabled')).toBe(true);
  fireEvent.change(name, { target: { value: ' Coast, autumn ' } });
  press('Copy it');
  expect(await screen.findByText(/Refused: busy/)).toBeTruthy();
  expect([name.value, navigation.router.push.mock.calls.length]).toEqual([' Coast, autumn ', 0]);
  fireEvent.submit(name.closest('form')!);
  await waitFor(() => expect(navigation.router.push).toHaveBeenCalledWith('/p/p9/logbook'));
  expect(asked.map(({ body }) => body)).toEqual([{ name: 'Coast, autumn' }, { name: 'Coast, autumn' }]);
});
