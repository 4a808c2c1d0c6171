import { notFound } from 'next/navigation';
import { MakerPage } from '@/features/maker/MakerPage';
import { database } from '@/server/database';
import { ServerError } from '@/server/errors';
import { makerPage } from '@/server/progress';
import { throttle } from '@/server/throttle';

export const metadata = { title: 'My sewing' };

/** Wrong links per minute, all together, before even right ones wait. */
const MOST_READS = 600;

export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  return <MakerPage token={token} initial={await readPage(token)} />;
}

async function readPage(token: string) {
  try {
    await throttle(database(), 'link-page', MOST_READS, 60);
    return await makerPage(database(), token);
  } catch (error) {
    if (error instanceof ServerError && error.status === 404) notFound();
    throw error;
  }
}
