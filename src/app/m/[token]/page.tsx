import type { Metadata } from 'next';
import { dayWords } from '@/core/calendar';
import { MakerPage } from '@/features/maker/MakerPage';
import { ClothLooks } from '@/ui/ClothLooks';
import { nextDropFor } from '@/server/calendar';
import { database } from '@/server/database';
import { readMakerPage } from './readMakerPage';

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
  const initial = await readMakerPage(token);
  const drop = await nextDropFor(database(), token, new Date().getTime());
  return (
    <ClothLooks looks={initial.looks}>
      <MakerPage
        token={token}
        initial={initial}
        // The day itself, not how far off it is: a page that is kept stays true.
        due={drop && `${drop.title} is on ${dayWords(drop.day)}.`}
      />
    </ClothLooks>
  );
}
