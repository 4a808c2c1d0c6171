import { headers } from 'next/headers';
import { Doorway } from '@/ui/Doorway';
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
  const found = await readOrRefusal(token);
  if (found instanceof ServerError) return <Doorway title={found.body.what} intro={found.body.mend} />;
  return <SwitchOff token={token} {...found} />;
}

async function readOrRefusal(token: string) {
  try {
    return await byLink(database(), addressOf(await headers()), () => readOffLink(database(), token));
  } catch (error) {
    if (error instanceof ServerError) return error;
    throw error;
  }
}
