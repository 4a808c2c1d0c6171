import { headers } from 'next/headers';
import { Doorway } from '@/features/account/Doorway';
import { SwitchOff } from '@/features/reminders/SwitchOff';
import { byLink } from '@/server/accounts';
import { database } from '@/server/database';
import { ServerError } from '@/server/errors';
import { addressOf } from '@/server/peer';
import { readOffLink } from '@/server/reminders';

export const metadata = { title: 'Reminders' };

/** Where the link in each reminder leads: nothing is switched by opening it, for mail programs open links by themselves. */
export default async function OffPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  try {
    const found = await byLink(database(), addressOf(await headers()), () => readOffLink(database(), token));
    return <SwitchOff token={token} {...found} />;
  } catch (error) {
    if (!(error instanceof ServerError)) throw error;
    return <Doorway title={error.body.what} intro={error.body.mend} />;
  }
}
