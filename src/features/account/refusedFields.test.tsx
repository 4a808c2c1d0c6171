import { fireEvent, render, screen } from '@testing-library/react';
import type { ReactElement } from 'react';
import { expect, test } from 'vitest';
import { answering, markedFields, refused } from '@/ui/testing';
import { AccountPage } from './AccountPage';
import { FirstRunForm } from './FirstRunForm';
import { JoinForm } from './JoinForm';
import { ProjectList } from './ProjectList';
import { ResetForm } from './ResetForm';
import { SignInForm } from './SignInForm';

const account = <AccountPage name="Ada" email="a@example.org" isKeeper sessions={[]} />;

/** A form, what sends it where, and the fields that the server may name. */
const FORMS: readonly [ReactElement, string, string, Readonly<Record<string, string>>][] = [
  [<SignInForm key="sign" />, 'Sign in', 'POST /api/sign-in', { email: 'E-mail address', password: 'Password' }],
  [<FirstRunForm key="first" />, 'Make the account', 'POST /api/first-run', { name: 'Your name', email: 'E-mail address', password: 'Password' }],
  [<JoinForm key="join" token="t" project="Coast" role="helper" />, 'Make my account and join', 'POST /api/join', { 'account.name': 'Your name', 'account.email': 'E-mail address', 'account.password': 'Password' }],
  [<ResetForm key="reset" token="t" />, 'Set the password', 'POST /api/reset', { password: 'New password' }],
  [<ProjectList key="projects" name="Ada" projects={[]} />, 'Make the project', 'POST /api/projects', { name: 'Name', shop: 'Shop or group (may stay empty)' }],
  [account, 'Change the password', 'PATCH /api/account', { old: 'Present password', next: 'New password' }],
  [account, 'Make a link for a new password', 'POST /api/letters', { email: 'Their e-mail address' }],
]; // prettier-ignore

test.each(FORMS.flatMap(([form, sends, route, fields]) => Object.entries(fields).map(([where, label]) => ({ form, sends, route, where, label }))))(
  '$sends: where $where is refused, the field “$label” is marked and no other',
  async ({ form, sends, route, where, label }) => {
    answering({ [route]: () => refused(422, 'invalid', { where }) });
    render(form);
    expect(markedFields()).toEqual([]);
    fireEvent.click(screen.getByRole('button', { name: sends }));
    await screen.findByText(/Refused: invalid/);
    expect(markedFields()).toEqual([screen.getByLabelText(label)]);
  },
); // prettier-ignore
