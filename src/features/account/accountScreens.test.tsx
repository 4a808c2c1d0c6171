import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, test, vi } from 'vitest';
import { SignOutButton } from '@/ui/SignOutButton';
import { answering, navigation, refused, unreachable } from '@/ui/testing';
import { AccountPage } from './AccountPage';
import { FirstRunForm } from './FirstRunForm';
import { JoinForm } from './JoinForm';
import { ProjectList } from './ProjectList';
import { ResetForm } from './ResetForm';
import { SignInForm } from './SignInForm';

const { router } = navigation;
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const fill = async (label: string | RegExp, text: string) => {
  await userEvent.type(screen.getByLabelText(label), text);
};
const line = (id: string, more: object = {}) => ({ id, name: `Project ${id}`, shop: '', state: 'in-use', role: 'host', isSample: false, createdAt: '2026-03-04T09:00:00.000Z', ...more }) as never; // prettier-ignore

test('signing in sends what was typed and goes to the projects; a refusal stays on the page with what was typed', async () => {
  let answer: unknown = refused(401, 'wrong', { where: 'password' });
  const asked = answering({ 'POST /api/sign-in': () => answer });
  render(<SignInForm />);
  await fill('E-mail address', 'host@example.org');
  await fill('Password', 'ten letters');
  press('Sign in');
  await screen.findByText(/Refused: wrong/);
  expect(screen.getByLabelText('Password').getAttribute('aria-invalid')).toBe('true');
  expect(router.replace).not.toHaveBeenCalled();
  answer = {};
  press('Sign in');
  await waitFor(() => expect(router.replace).toHaveBeenCalledWith('/'));
  expect(asked.map(({ body }) => body)).toEqual(
    Array(2).fill({ email: 'host@example.org', password: 'ten letters' }),
  );
});

test('the first host, a new password by letter, and signing out even where the server is away', async () => {
  const asked = answering({ 'POST /api/first-run': () => ({}), 'POST /api/reset': () => ({}), 'POST /api/sign-out': unreachable });
  const { unmount } = render(<FirstRunForm />);
  await fill('Your name', 'Ada');
  await fill('E-mail address', 'a@example.org');
  await fill('Password', 'ten letters');
  press('Make the account');
  await waitFor(() => expect(asked[0]?.body).toEqual({ name: 'Ada', email: 'a@example.org', password: 'ten letters' }));
  unmount();
  render(<ResetForm token="t1" />);
  await fill('New password', 'new letters');
  press('Set the password');
  await waitFor(() => expect(asked[1]?.body).toEqual({ token: 't1', password: 'new letters' }));
  await waitFor(() => expect(router.replace).toHaveBeenLastCalledWith('/sign-in'));
  router.replace.mockClear();
  render(<SignOutButton />);
  press('Sign out');
  await waitFor(() => expect(router.replace).toHaveBeenCalledWith('/sign-in'));
}); // prettier-ignore

test('an invitation is opened as who one is, or with a new account whose faults stand at their fields', async () => {
  const asked = answering({
    'POST /api/join': ({ body }) =>
      'account' in (body as object) ? refused(422, 'weak', { where: 'account.password' }) : { projectId: 'p9' },
  });
  const { unmount } = render(<JoinForm token="t" project="Coast" role="helper" signedInAs="Ada" />);
  press('Join as Ada');
  await waitFor(() => expect(router.replace).toHaveBeenCalledWith('/p/p9'));
  expect(asked[0]?.body).toEqual({ token: 't' });
  unmount();
  render(<JoinForm token="t" project="Coast" role="helper" />);
  await fill('Your name', 'Bo');
  await fill('E-mail address', 'b@example.org');
  await fill('Password', 'short');
  press('Make my account and join');
  await screen.findByText(/Refused: weak/);
  expect(asked[1]?.body).toEqual({ token: 't', account: { name: 'Bo', email: 'b@example.org', password: 'short' } });
  expect(screen.getByLabelText('Password').getAttribute('aria-invalid')).toBe('true');
  expect(screen.getByLabelText('E-mail address').getAttribute('aria-invalid')).toBe('false');
}); // prettier-ignore

test('projects: twins are told by their day, what is put away can be taken back, only the bin deletes, and it asks first', async () => {
  const asked = answering({ 'POST /api/projects/.*/state': () => ({}) });
  const confirm = vi.fn(() => false);
  vi.stubGlobal('confirm', confirm);
  const projects = [
    line('a', { name: 'Coast' }), line('b', { name: 'Coast' }), line('c', { role: 'helper' }),
    line('d', { state: 'archived' }), line('e', { state: 'binned' }),
  ]; // prettier-ignore
  render(<ProjectList name="Ada" projects={projects} />);
  const links = screen.getAllByRole('link').map(({ textContent }) => textContent ?? '');
  expect(links.filter((text) => text.startsWith('Coast') && text.includes('begun on'))).toHaveLength(2);
  expect(links.find((text) => text.startsWith('Project c'))).toBe('Project cyou help here');
  expect(screen.getAllByRole('button', { name: 'Delete for good' })).toHaveLength(1);
  press('Take Project d back');
  await waitFor(() =>
    expect(asked[0]).toMatchObject({ path: '/api/projects/d/state', body: { state: 'in-use' } }),
  );
  await waitFor(() =>
    expect(screen.getByRole('button', { name: 'Delete for good' }).hasAttribute('disabled')).toBe(false),
  );
  press('Delete for good');
  expect(asked).toHaveLength(1);
  confirm.mockReturnValue(true);
  press('Delete for good');
  await waitFor(() =>
    expect(asked[1]).toMatchObject({ path: '/api/projects/e/state', body: { state: 'deleted' } }),
  );
});

test('a project is made, a sample is made and thrown away whole, a file is brought in or refused', async () => {
  vi.stubGlobal('confirm', () => true);
  const asked = answering({
    'POST /api/projects': () => ({ id: 'n1' }),
    'POST /api/projects/sample': () => ({ id: 's1' }),
    'POST /api/projects/import': ({ body }) => ((body as { file: string }).file === '{}' ? refused(422, 'no-project') : { id: 'i1' }),
    'POST /api/projects/s1/state': () => ({}),
  });
  const { rerender } = render(<ProjectList name="Ada" projects={[]} />);
  expect(screen.getByText(/^No project yet/)).toBeTruthy();
  await fill('Name', 'Coast');
  press('Make the project');
  await waitFor(() => expect(router.push).toHaveBeenCalledWith('/p/n1/blocks'));
  expect(asked[0]?.body).toEqual({ name: 'Coast', shop: '', unitSystem: 'inch' });
  press('Make a sample');
  await waitFor(() => expect(router.push).toHaveBeenCalledWith('/p/s1'));
  const bring = (text: string) => fireEvent.change(document.querySelector('input[type=file]')!, { target: { files: [new File([text], 'p.json')] } });
  bring('{}');
  await screen.findByText(/Refused: no-project/);
  bring('{"format":"x"}');
  await waitFor(() => expect(router.push).toHaveBeenCalledWith('/p/i1/blocks'));
  rerender(<ProjectList name="Ada" projects={[line('s1', { isSample: true })]} />);
  press('Throw the sample away');
  await waitFor(() => expect(asked.slice(-2).map(({ body }) => body)).toEqual([{ state: 'binned' }, { state: 'deleted' }]));
}); // prettier-ignore

const SESSIONS = [
  { id: 's1', device: 'Mozilla (iPhone; CPU)', createdAt: '2026-03-04T09:00:00.000Z', isThis: false },
  {
    id: 's2',
    device: 'Mozilla (Macintosh; Intel Mac OS X)',
    createdAt: '2026-03-05T09:00:00.000Z',
    isThis: true,
  },
  { id: 's3', device: 'curl', createdAt: '2026-03-06T09:00:00.000Z', isThis: false },
];

test('one’s account: sessions are named by device and ended one or all, the password is changed and the fields emptied', async () => {
  const asked = answering({ 'PATCH /api/account': () => ({}), 'POST /api/account': () => refused(403, 'wrong-password') });
  render(<AccountPage name="Ada" email="a@example.org" isKeeper={false} sessions={SESSIONS as never} />);
  expect(screen.getByText(/A device with iPhone, since/)).toBeTruthy();
  expect(screen.getByText(/^A device, since/)).toBeTruthy();
  expect(screen.queryByText('Someone lost their password')).toBeNull();
  const ends = screen.getAllByRole('button', { name: 'End it' });
  expect(ends).toHaveLength(2);
  fireEvent.click(ends[1]!);
  await waitFor(() => expect(asked[0]?.body).toEqual({ session: 's3' }));
  await waitFor(() => expect(screen.getByRole('button', { name: 'End all others' }).hasAttribute('disabled')).toBe(false));
  press('End all others');
  await waitFor(() => expect(asked[1]?.body).toEqual({ session: 'others' }));
  await fill('Present password', 'old letters');
  await fill('New password', 'new letters');
  press('Change the password');
  await screen.findByText(/your other sessions have ended/);
  expect(asked[2]?.body).toEqual({ old: 'old letters', next: 'new letters' });
  expect((screen.getByLabelText('New password') as HTMLInputElement).value).toBe('');
  await fill('Your password', 'nope');
  press('Delete my account');
  await screen.findByText(/Refused: wrong-password/);
  expect(router.replace).not.toHaveBeenCalledWith('/sign-in');
}); // prettier-ignore

test('the keeper makes a link for a lost password', async () => {
  answering({ 'POST /api/letters': ({ body }) => ({ address: `http://x/reset/${(body as { email: string }).email}` }) });
  render(<AccountPage name="Ada" email="a@example.org" isKeeper sessions={[]} />);
  await fill('Their e-mail address', 'b@x.org');
  press('Make a link for a new password');
  expect((await screen.findByLabelText('Link for a new password') as HTMLInputElement).value).toBe('http://x/reset/b@x.org');
}); // prettier-ignore
