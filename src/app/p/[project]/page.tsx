import { Today } from '@/features/today/Today';
import { StationPage } from '@/ui/StationPage';
import { TopMap } from '@/ui/TopMap';
import { formatMinutes } from '@/ui/formatMinutes';
import { loadBlocks, loadPeople } from './load';

export default async function TodayPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const people = await loadPeople(projectId);
  return (
    <StationPage
      map={
        <TopMap
          title="The top: hours of hand work"
          blocks={blocks}
          fabrics={fabrics}
          columns={project.gridColumns}
          href={(id) => `/p/${projectId}/blocks/${id}`}
          measure={(id) => {
            const plan = blocks.find((block) => block.id === id)?.sheet.plan;
            return { text: plan ? formatMinutes(plan.joinMinutes + plan.bastingMinutes) : '' };
          }}
        />
      }
    >
      <Today projectId={projectId} blocks={blocks.map(({ id, name, sheet }) => ({ id, name, problems: sheet.problems.length }))} {...people} />
    </StationPage>
  );
} // prettier-ignore
