import type { Metadata } from 'next';
import { MakerPage } from '@/features/maker/MakerPage';
import { ClothLooks } from '@/ui/ClothLooks';
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
  return (
    <ClothLooks looks={initial.looks}>
      <MakerPage token={token} initial={initial} />
    </ClothLooks>
  );
}
