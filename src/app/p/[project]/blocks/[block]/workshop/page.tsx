import { WorkshopPage } from '@/features/workshop/WorkshopPage';
import { readRevision } from '@/server/blocks';
import { database } from '@/server/database';
import { loadBlocks, orNotFound } from '../../../load';

export const metadata = { title: 'Workshop' };

export default async function BlockWorkshopPage({
  params,
}: {
  params: Promise<{ project: string; block: string }>;
}) {
  const { project: projectId, block: blockId } = await params;
  const { project, fabrics } = await loadBlocks(projectId);
  const { name, revision, document } = await orNotFound(() => readRevision(database(), project, blockId));
  return (
    <WorkshopPage
      key={blockId}
      projectId={projectId}
      block={{ id: blockId, name, revision, document }}
      knownFabrics={fabrics}
      system={project.unitSystem}
    />
  );
}
