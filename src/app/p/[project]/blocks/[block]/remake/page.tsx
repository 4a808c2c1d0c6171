import { notFound } from 'next/navigation';
import { MakeBlock } from '@/features/making/MakeBlock';
import { openBlock } from '@/server/blocks';
import { database } from '@/server/database';
import { loadBlocks, orNotFound } from '../../../load';

export const metadata = { title: 'Make it again' };

export default async function RemakePage({
  params,
}: {
  params: Promise<{ project: string; block: string }>;
}) {
  const { project: projectId, block: blockId } = await params;
  const { project, fabrics } = await loadBlocks(projectId);
  const { id, name, revision, recipe } = await orNotFound(() => openBlock(database(), project, blockId));
  if (!recipe) notFound();
  const { allowanceMm, sparesPercent, unitSystem, sewing } = project;
  return (
    <MakeBlock
      projectId={projectId}
      knownFabrics={fabrics}
      settings={{ allowanceMm, sparesPercent, system: unitSystem, sewing }}
      existing={{ id, name, revision, recipe }}
    />
  );
}
