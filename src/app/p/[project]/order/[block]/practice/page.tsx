import { PracticeStation } from '@/features/practice/PracticeStation';
import { openBlock } from '@/server/blocks';
import { database } from '@/server/database';
import { practiceOf } from '@/server/practice';
import { loadBlocks, orNotFound } from '../../../load';

export const metadata = { title: 'Practice' };

export default async function PracticePage({
  params,
}: {
  params: Promise<{ project: string; block: string }>;
}) {
  const { project: projectId, block: blockId } = await params;
  const { project, fabrics } = await loadBlocks(projectId);
  const { id, name, sheet } = await orNotFound(() => openBlock(database(), project, blockId));
  const counts = await practiceOf(database(), project, id);
  return (
    <PracticeStation
      key={id}
      projectId={projectId}
      block={{ id, name, sheet }}
      fabrics={fabrics}
      counts={counts}
    />
  );
}
