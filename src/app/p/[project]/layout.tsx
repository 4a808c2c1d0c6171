import type { ReactNode } from 'react';
import { Bench } from '@/ui/Bench';
import { ClothLooks } from '@/ui/ClothLooks';
import { loadBadges, loadBlocks } from './load';

export default async function ProjectLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ project: string }>;
}) {
  const { project: projectId } = await params;
  const { account, project, blocks, looks } = await loadBlocks(projectId);
  return (
    <Bench
      project={{ id: project.id, name: project.name, shop: project.shop }}
      accountName={account.name}
      badges={await loadBadges(projectId)}
      firstBlock={blocks[0]?.id}
    >
      <ClothLooks looks={looks}>{children}</ClothLooks>
    </Bench>
  );
}
