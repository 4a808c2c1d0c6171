import { StepPlayer } from '@/features/order/StepPlayer';
import { openBlock } from '@/server/blocks';
import { database } from '@/server/database';
import { formatMinutes } from '@/ui/formatMinutes';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks, orNotFound } from '../../load';

export const metadata = { title: 'Order of work' };

export default async function OrderBlockPage({
  params,
}: {
  params: Promise<{ project: string; block: string }>;
}) {
  const { project: projectId, block: blockId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const { id, name, sheet } = await orNotFound(() => openBlock(database(), project, blockId));
  return (
    <StationPage
      map={
        <TopMap
          title="The top: sewing time and bends"
          blocks={topBlocks(blocks, (other) => ({
            href: `/p/${projectId}/order/${other.id}`,
            text: `${formatMinutes(other.sheet.plan.joinMinutes)}, ${other.sheet.plan.bends} bends`,
          }))}
          fabrics={fabrics}
          columns={project.gridColumns}
          current={id}
        />
      }
    >
      <StepPlayer key={id} name={name} sheet={sheet} fabrics={fabrics} system={project.unitSystem} />
    </StationPage>
  );
}
