import { MakersStation } from '@/features/makers/MakersStation';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks, loadPeople } from '../load';

export const metadata = { title: 'Makers' };

export default async function MakersPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const { makers, progress } = await loadPeople(projectId);
  const share = (blockId: string) => {
    const own = progress.filter((entry) => entry.blockId === blockId);
    const total = own.reduce((sum, entry) => sum + entry.totalMinutes, 0);
    return total === 0 ? 0 : own.reduce((sum, entry) => sum + entry.doneMinutes, 0) / total;
  };
  return (
    <StationPage
      map={
        <TopMap
          title="The top: the group’s progress"
          blocks={topBlocks(blocks, ({ id }) => ({
            href: `/p/${projectId}/blocks/${id}`,
            text: `${Math.round(share(id) * 100)} % of the work`,
            share: share(id),
          }))}
          fabrics={fabrics}
          columns={project.gridColumns}
        />
      }
    >
      <MakersStation
        projectId={projectId}
        blocks={blocks.map(({ id, name }) => ({ id, name }))}
        makers={makers}
        initialProgress={progress}
      />
    </StationPage>
  );
}
