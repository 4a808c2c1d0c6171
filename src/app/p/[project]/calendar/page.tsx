import { dayAt, dayWords, dropsOf, endsOf } from '@/core/calendar';
import { summarise } from '@/core/sheet';
import { CalendarStation } from '@/features/calendar/CalendarStation';
import { learntOf, projectPace, readKeptCalendar, worksOf } from '@/server/calendar';
import { database } from '@/server/database';
import { listGroups } from '@/server/makers';
import { readKeptOrder } from '@/server/orders';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks, loadPeople, loadStandings } from '../load';

export const metadata = { title: 'Calendar' };

export default async function CalendarPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const sql = database();
  const { makers } = await loadPeople(projectId);
  const { calendar, revision } = await readKeptCalendar(sql, project);
  const summaries = blocks.map(({ id, name, sheet }) => ({ id, name, summary: summarise(sheet) }));
  // By the plain standards: what is reckoned with instead can be changed on the page.
  const works = worksOf(summaries, makers);
  const [learnt, { order }] = await Promise.all([learntOf(sql, project, summaries), readKeptOrder(sql, project)]);
  const suppliers = [...new Set(Object.values(order.suppliers).filter(Boolean))].sort();
  const now = new Date().getTime();
  const today = dayAt(now, calendar.timeZone);
  const pace = await projectPace(sql, project, calendar, endsOf(calendar), now, loadStandings(projectId)).catch(() => undefined);
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
      <CalendarStation projectId={projectId} initial={calendar} revision={revision} blocks={works} pace={pace} today={today} groups={await listGroups(sql, project)} learnt={learnt} suppliers={suppliers} />
    </StationPage>
  );
} // prettier-ignore
