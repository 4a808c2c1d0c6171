import { BlockView } from '@/features/blocks/BlockView';
import { database } from '@/server/database';
import { openBlock } from '@/server/blocks';
import { StationPage } from '@/ui/StationPage';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks, orNotFound } from '../../load';

export default async function BlockPage({ params }: { params: Promise<{ project: string; block: string }> }) {
  const { project: projectId, block: blockId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const { id, name, revision, sheet } = await orNotFound(() => openBlock(database(), project, blockId));
  return (
    <StationPage
      map={
        <TopMap
          title="The top: papers"
          blocks={blocks}
          fabrics={fabrics}
          columns={project.gridColumns}
          current={id}
          href={(other) => `/p/${projectId}/blocks/${other}`}
          measure={(other) => ({ text: `${blocks.find((block) => block.id === other)?.sheet.patches.length ?? 0} papers` })}
        />
      }
    >
      <BlockView projectId={projectId} block={{ id, name, revision }} sheet={sheet} fabrics={fabrics} system={project.unitSystem} />
    </StationPage>
  );
} // prettier-ignore
