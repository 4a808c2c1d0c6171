import { headers } from 'next/headers';
import { JoinForm } from '@/features/account/JoinForm';
import { Doorway } from '@/ui/Doorway';
import { database } from '@/server/database';
import { ServerError } from '@/server/errors';
import { byLink } from '@/server/accounts';
import { addressOf } from '@/server/peer';
import { currentAccount } from '@/server/http';
import { readInvitation } from '@/server/projects';

export const metadata = { title: 'Invitation' };

export default async function JoinPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const found = await readOrRefusal(token);
  if (found instanceof ServerError) return <Doorway title={found.body.what} intro={found.body.mend} />;
  const account = await currentAccount();
  return (
    <JoinForm
      token={token}
      project={found.project}
      role={found.role}
      {...(account ? { signedInAs: account.name } : {})}
    />
  );
}

async function readOrRefusal(token: string) {
  try {
    const address = addressOf(await headers());
    return await byLink(database(), address, () => readInvitation(database(), token));
  } catch (error) {
    if (error instanceof ServerError) return error;
    throw error;
  }
}
