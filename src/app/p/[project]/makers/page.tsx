import { dropsOf } from '@/core/calendar';
import { packProgress } from '@/core/progress';
import { MakersStation } from '@/features/makers/MakersStation';
import { readKeptCalendar } from '@/server/calendar';
import { database } from '@/server/database';
import { listGroups } from '@/server/makers';
import { listTeam } from '@/server/projects';
import { listTroubles } from '@/server/troubles';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks, loadPeople, loadProject } from '../load';

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
  const sums = new Map<string, { done: number; total: number }>();
  for (const { blockId, doneMinutes, totalMinutes } of progress) {
    const { done, total } = sums.get(blockId) ?? { done: 0, total: 0 };
    sums.set(blockId, { done: done + doneMinutes, total: total + totalMinutes });
  }
  const share = (blockId: string) => {
    const { done = 0, total = 0 } = sums.get(blockId) ?? {};
    return total === 0 ? 0 : done / total;
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
        project={{ id: project.id, unitSystem: project.unitSystem, allowanceMm: project.allowanceMm }}
        blocks={blocks.map(({ id, name }) => ({ id, name }))}
        makers={makers}
        groups={groups}
        drops={dropsOf(calendar).map(({ id, title, blocks: own }) => ({ id, title, blocks: own }))}
        initialProgress={packProgress(progress)}
        kits={kits.map(({ makerId, blockId, status }) => ({ makerId, blockId, status }))}
        troubles={troubles}
        team={team}
        mayEdit={role === 'host'}
      />
    </StationPage>
  );
}
