import { WorkshopPage } from '@/features/workshop/WorkshopPage';
import { readRevision } from '@/server/blocks';
import { database } from '@/server/database';
import { loadBlocks, loadPeople, orNotFound } from '../../../load';

export const metadata = { title: 'Workshop' };

export default async function BlockWorkshopPage({
  params,
}: {
  params: Promise<{ project: string; block: string }>;
}) {
  const { project: projectId, block: blockId } = await params;
  const { project, fabrics } = await loadBlocks(projectId);
  const { name, revision, document } = await orNotFound(() => readRevision(database(), project, blockId));
  const { makers, kits, progress } = await loadPeople(projectId);
  const begun = new Set(
    progress.filter((one) => one.blockId === blockId && one.done > 0).map(({ makerId }) => makerId),
  );
  const touched = {
    makers: makers.filter(({ id }) => begun.has(id)).map(({ name: maker }) => maker),
    bags: kits.filter((kit) => kit.blockId === blockId && kit.status !== 'to-pack').length,
  };
  return (
    <WorkshopPage
      key={blockId}
      projectId={projectId}
      block={{ id: blockId, name, revision, document }}
      knownFabrics={fabrics}
      system={project.unitSystem}
      touched={touched}
    />
  );
}
