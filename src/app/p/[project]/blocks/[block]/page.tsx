import { counted } from '@/core/words';
import { BlockView } from '@/features/blocks/BlockView';
import { database } from '@/server/database';
import { openBlock } from '@/server/blocks';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks, orNotFound } from '../../load';

export default async function BlockPage({ params }: { params: Promise<{ project: string; block: string }> }) {
  const { project: projectId, block: blockId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const { id, name, revision, sheet, recipe, made } = await orNotFound(() =>
    openBlock(database(), project, blockId),
  );
  return (
    <StationPage
      map={
        <TopMap
          title="The top: papers"
          blocks={topBlocks(blocks, (other) => ({
            href: `/p/${projectId}/blocks/${other.id}`,
            text: `${counted(other.sheet.patches.length, 'paper')}`,
          }))}
          fabrics={fabrics}
          columns={project.gridColumns}
          current={id}
        />
      }
    >
      <BlockView
        projectId={projectId}
        block={{ id, name, revision }}
        isGenerated={recipe !== undefined}
        made={made}
        sheet={sheet}
        fabrics={fabrics}
        system={project.unitSystem}
      />
    </StationPage>
  );
}
