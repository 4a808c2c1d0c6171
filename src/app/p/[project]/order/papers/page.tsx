import { counted } from '@/core/words';
import { ProjectPapersView } from '@/features/order/ProjectPapersView';
import { database } from '@/server/database';
import { papersOfProject } from '@/server/blocks';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks, loadPeople } from '../../load';

export const metadata = { title: 'Papers of the project' };

export default async function ProjectPapersPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const { makers } = await loadPeople(projectId);
  const papers = await papersOfProject(database(), project, blocks);
  const keptOf = (id: string) =>
    papers.blocks.find((one) => one.id === id)?.keep.reduce((sum, { count }) => sum + count, 0) ?? 0;
  return (
    <StationPage
      map={
        <TopMap
          title="The top: papers to save"
          blocks={topBlocks(blocks, ({ id }) => ({
            href: `/p/${projectId}/order/papers#papers-${id}`,
            text: keptOf(id) > 0 ? `save ${counted(keptOf(id), 'paper')}` : 'none to save',
          }))}
          fabrics={fabrics}
          columns={project.gridColumns}
        />
      }
    >
      <ProjectPapersView
        projectId={projectId}
        papers={papers}
        makers={makers.length}
        sparesPercent={project.sparesPercent}
      />
    </StationPage>
  );
}
