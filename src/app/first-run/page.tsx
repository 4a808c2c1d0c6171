import { redirect } from 'next/navigation';
import { FirstRunForm } from '@/features/account/FirstRunForm';
import { hasAccounts } from '@/server/accounts';
import { database } from '@/server/database';

export const metadata = { title: 'First host' };

export default async function FirstRunPage() {
  if (await hasAccounts(database())) redirect('/');
  return <FirstRunForm />;
}
