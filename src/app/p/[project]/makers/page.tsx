import { dropsOf } from '@/core/calendar';
import { MakersStation } from '@/features/makers/MakersStation';
import { projectPace, readKeptCalendar } from '@/server/calendar';
import { database } from '@/server/database';
import { listGroups } from '@/server/makers';
import { listTeam } from '@/server/projects';
import { listTroubles } from '@/server/troubles';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks, loadPeople, loadProject, loadStandings } from '../load';

export const metadata = { title: 'Makers' };

export default async function MakersPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const { role } = await loadProject(projectId);
  const { makers, progress, kits } = await loadPeople(projectId);
  const sql = database();
  const [{ calendar }, groups, team, troubles] = await Promise.all([
    readKeptCalendar(sql, project),
    listGroups(sql, project),
    listTeam(sql, project),
    listTroubles(sql, project),
  ]);
  // Without forecasts, where too much waits to be reckoned, the wall still opens.
  const pace = await projectPace(sql, project, calendar, [], new Date().getTime(), loadStandings(projectId)).catch(() => undefined); // prettier-ignore
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
        groups={groups}
        drops={dropsOf(calendar).map(({ id, title, blocks: own }) => ({ id, title, blocks: own }))}
        keeping={(pace?.makers ?? []).map(({ id, state, reason }) => ({ id, state, reason }))}
        initialProgress={progress}
        kits={kits.map(({ makerId, blockId, status }) => ({ makerId, blockId, status }))}
        troubles={troubles}
        team={team}
        mayEdit={role === 'host'}
      />
    </StationPage>
  );
}
