import { dayAt, dayWords, dropsOf, endsOf } from '@/core/calendar';
import { CalendarStation } from '@/features/calendar/CalendarStation';
import { blockWorks, projectPace, readKeptCalendar } from '@/server/calendar';
import { database } from '@/server/database';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks } from '../load';

export const metadata = { title: 'Calendar' };

export default async function CalendarPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const sql = database();
  const [{ calendar, revision }, works] = await Promise.all([readKeptCalendar(sql, project), blockWorks(sql, project)]);
  const now = new Date().getTime();
  const today = dayAt(now, calendar.timeZone);
  const pace = await projectPace(sql, project, calendar, endsOf(calendar), now);
  const drops = dropsOf(calendar);
  const placeOf = (block: string) => drops.findIndex((drop) => drop.blocks.includes(block));
  return (
    <StationPage
      map={
        <TopMap
          title="The top: when it is handed out"
          blocks={topBlocks(blocks, ({ id }) => {
            const drop = drops[placeOf(id)];
            const share = drop === undefined ? 0 : drop.day <= today ? 1 : 1 - (placeOf(id) + 1) / (drops.length + 1);
            return { href: `/p/${projectId}/blocks/${id}`, text: drop ? `${drop.title}, ${dayWords(drop.day)}` : 'in no drop', share };
          })}
          fabrics={fabrics}
          columns={project.gridColumns}
        />
      }
    >
      <CalendarStation projectId={projectId} initial={calendar} revision={revision} blocks={works} pace={pace} today={today} />
    </StationPage>
  );
} // prettier-ignore
