import { redirect } from 'next/navigation';
import { AccountPage } from '@/features/account/AccountPage';
import { listSessions } from '@/server/accounts';
import { database } from '@/server/database';
import { currentAccount, sessionToken } from '@/server/http';

export const metadata = { title: 'Your account' };

export default async function Account() {
  const account = await currentAccount();
  if (!account) redirect('/sign-in');
  const sessions = await listSessions(database(), account, await sessionToken());
  return (
    <AccountPage
      name={account.name}
      email={account.email}
      isKeeper={account.isKeeper ?? false}
      sessions={sessions}
    />
  );
}
