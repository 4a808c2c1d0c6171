import { StepPlayer } from '@/features/order/StepPlayer';
import { openBlock } from '@/server/blocks';
import { database } from '@/server/database';
import { formatMinutes } from '@/ui/formatMinutes';
import { StationPage } from '@/ui/StationPage';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks, orNotFound } from '../../load';

export const metadata = { title: 'Order of work' };

export default async function OrderBlockPage({ params }: { params: Promise<{ project: string; block: string }> }) {
  const { project: projectId, block: blockId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const { id, name, sheet } = await orNotFound(() => openBlock(database(), project, blockId));
  return (
    <StationPage
      map={
        <TopMap
          title="The top: sewing time and bends"
          blocks={blocks}
          fabrics={fabrics}
          columns={project.gridColumns}
          current={id}
          href={(other) => `/p/${projectId}/order/${other}`}
          measure={(other) => {
            const plan = blocks.find((block) => block.id === other)?.sheet.plan;
            return { text: plan ? `${formatMinutes(plan.joinMinutes)}, ${plan.bends} bends` : '' };
          }}
        />
      }
    >
      <StepPlayer key={id} name={name} sheet={sheet} fabrics={fabrics} system={project.unitSystem} />
    </StationPage>
  );
}
