import { notFound } from 'next/navigation';
import { MakerPractice } from '@/features/practice/MakerPractice';
import { ClothLooks } from '@/ui/ClothLooks';
import { readMakerPage } from '../../readMakerPage';

export const metadata = { title: 'Practice' };

export default async function Page({ params }: { params: Promise<{ token: string; block: string }> }) {
  const { token, block: blockId } = await params;
  const { blocks, looks, maker } = await readMakerPage(token);
  const block = blocks.find(({ id }) => id === blockId);
  if (!block) notFound();
  return (
    <ClothLooks looks={looks}>
      <MakerPractice
        token={token}
        makerId={maker.id}
        block={{ id: block.id, name: block.name, sheet: block.sheet }}
      />
    </ClothLooks>
  );
}
