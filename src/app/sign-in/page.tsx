import { redirect } from 'next/navigation';
import { SignInForm } from '@/features/account/SignInForm';
import { hasAccounts } from '@/server/accounts';
import { database } from '@/server/database';
import { currentAccount } from '@/server/http';

export const metadata = { title: 'Sign in' };

export default async function SignInPage() {
  if (await currentAccount()) redirect('/');
  if (!(await hasAccounts(database()))) redirect('/first-run');
  return <SignInForm />;
}
