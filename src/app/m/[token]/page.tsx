import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import { MakerPage } from '@/features/maker/MakerPage';
import { database } from '@/server/database';
import { ServerError } from '@/server/errors';
import { byLink } from '@/server/accounts';
import { addressOf } from '@/server/peer';
import { makerPage } from '@/server/progress';
import { ClothLooks } from '@/ui/ClothLooks';

/** Each link has a manifest of its own: put on the first screen, it opens that maker’s page. */
export async function generateMetadata({
  params,
}: {
  params: Promise<{ token: string }>;
}): Promise<Metadata> {
  return { title: 'My sewing', manifest: `/m/${(await params).token}/manifest.webmanifest` };
}

export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const initial = await readPage(token);
  return (
    <ClothLooks looks={initial.looks}>
      <MakerPage token={token} initial={initial} />
    </ClothLooks>
  );
}

async function readPage(token: string) {
  try {
    const address = addressOf(await headers());
    return await byLink(database(), address, () => makerPage(database(), token));
  } catch (error) {
    if (error instanceof ServerError && (error.status === 404 || error.status === 429)) notFound();
    throw error;
  }
}
