import { pickList, sewersOf } from '@/core/bags';
import { agendaOf, dayAt, dropsOf } from '@/core/calendar';
import { USUAL_CLOTH, clothNeed } from '@/core/cloth';
import { summarise } from '@/core/sheet';
import { FirstHour } from '@/features/today/FirstHour';
import { Today } from '@/features/today/Today';
import { projectPace, readKeptCalendar, worksOf } from '@/server/calendar';
import { clothShelf } from '@/server/cloth';
import { database } from '@/server/database';
import { countTroubled } from '@/server/reminders';
import { formatBolt } from '@/ui/formatBolt';
import { formatMinutes } from '@/ui/formatMinutes';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks, loadPeople, loadStandings } from './load';

export default async function TodayPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const people = await loadPeople(projectId);
  const sql = database();
  const now = new Date().getTime();
  const { calendar } = await readKeptCalendar(sql, project);
  const works = worksOf(blocks.map(({ id, name, sheet }) => ({ id, name, summary: summarise(sheet) })), people.makers); // prettier-ignore
  // Without forecasts, where too much waits to be reckoned, Today still opens.
  const pace = await projectPace(sql, project, calendar, [], now, loadStandings(projectId)).catch(
    () => undefined,
  );
  const today = dayAt(now, calendar.timeZone);
  const next = dropsOf(calendar).find(({ day }) => day >= today);
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
        calendar={calendar}
        agenda={agendaOf(calendar, works)}
        pace={pace?.makers ?? []}
        short={await shortFor(projectId, next?.blocks ?? [])}
        today={today}
        unsent={await countTroubled(sql, project)}
      />
    </StationPage>
  );
}

/** Cloths of which bags of some blocks that are not packed yet take more than there is, with what is to be bought. */
async function shortFor(projectId: string, blockIds: readonly string[]): Promise<string[]> {
  const { project, blocks } = await loadBlocks(projectId);
  const { makers, kits } = await loadPeople(projectId);
  const shelf = await clothShelf(database(), project);
  const isPacked = (block: string, maker: string) => kits.some((kit) => kit.blockId === block && kit.makerId === maker && kit.status !== 'to-pack');
  const wanted = blocks.filter(({ id }) => blockIds.includes(id)).map(({ id, name, sheet }) => ({
    block: name,
    contents: sheet.bag,
    bags: sewersOf(id, makers).filter((maker) => !isPacked(id, maker.id)).length,
  }));
  return pickList(wanted).cloth.flatMap(({ fabric, lines }) => {
    const { buyMm } = clothNeed(fabric, lines, shelf.find(({ name }) => name === fabric) ?? USUAL_CLOTH, project.unitSystem);
    return buyMm > 0 ? [`${fabric} ${formatBolt(buyMm, project.unitSystem)}`] : [];
  });
} // prettier-ignore
