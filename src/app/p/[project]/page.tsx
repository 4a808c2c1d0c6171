import { FirstHour } from '@/features/today/FirstHour';
import { Today } from '@/features/today/Today';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
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
          blocks={topBlocks(blocks, ({ id, sheet: { plan } }) => ({
            href: `/p/${projectId}/blocks/${id}`,
            text: formatMinutes(plan.joinMinutes + plan.bastingMinutes),
          }))}
          fabrics={fabrics}
          columns={project.gridColumns}
        />
      }
    >
      <FirstHour
        projectId={projectId}
        hasBlocks={blocks.length > 0}
        hasMakers={people.makers.length > 0}
        hasPacked={people.kits.some(({ status }) => status !== 'to-pack')}
        hasTicks={people.progress.some(({ done }) => done > 0)}
      />
      <Today
        projectId={projectId}
        blocks={blocks.map(({ id, name, sheet }) => ({ id, name, problems: sheet.problems.length }))}
        {...people}
      />
    </StationPage>
  );
}
