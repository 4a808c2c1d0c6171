import { agendaOf, dayAt, dropsOf } from '@/core/calendar';
import { orderOf, sayToBuy, sayThing } from '@/core/order';
import { summarise } from '@/core/sheet';
import { TROUBLES } from '@/core/troubles';
import { counted, firstSentence } from '@/core/words';
import { FirstHour } from '@/features/today/FirstHour';
import { Today } from '@/features/today/Today';
import { projectPace, readKeptCalendar, worksOf } from '@/server/calendar';
import { database } from '@/server/database';
import { orderFacts, wantedOf } from '@/server/orders';
import { missedIn } from '@/server/practice';
import { newSkills } from '@/server/progress';
import { countTroubled } from '@/server/reminders';
import { listTroubles, type ListedTrouble } from '@/server/troubles';
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
  const summaries = blocks.map(({ id, name, sheet }) => ({ id, name, summary: summarise(sheet) }));
  const works = worksOf(summaries, people.makers); // prettier-ignore
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
        untaught={newSkills(
          summaries.filter(({ id }) => next?.blocks.includes(id)),
          await loadStandings(projectId).catch(() => []),
        )}
        missed={[...toTeach(await listTroubles(sql, project)), ...(await missedIn(sql, project, blocks))]}
      />
    </StationPage>
  );
}

/** Where makers were stuck and the host said that it is to be taught: each place and sign once. */
function toTeach(troubles: readonly ListedTrouble[]) {
  const marked = troubles.filter(({ isToTeach }) => isToTeach);
  const places = [
    ...new Map(marked.map((one) => [`${one.blockId}/${one.stepId}/${one.symptom}`, one])).values(),
  ];
  return places.map(({ blockId, stepId, symptom, step }) => {
    const stuck = marked.filter((one) => one.blockId === blockId && one.stepId === stepId).length;
    const sign = TROUBLES.find(({ id }) => id === symptom)?.symptom;
    return {
      blockId,
      what: sign ?? firstSentence(step?.text ?? 'A step that the plan no longer has.'),
      why: `${counted(stuck, 'maker')} ${stuck === 1 ? 'was' : 'were'} stuck${step ? ` at step ${step.number}` : ''}.`,
      path: `order/${blockId}?step=${stepId}`,
    };
  });
}

/** What bags of some blocks that are not packed yet take more than there is and is on its way. */
async function shortFor(projectId: string, blockIds: readonly string[]): Promise<string[]> {
  const { project, blocks } = await loadBlocks(projectId);
  const { makers, kits } = await loadPeople(projectId);
  const wanted = wantedOf(await orderFacts(database(), project, { blocks, makers, kits }));
  const due = wanted.blocks.filter(({ id }) => blockIds.includes(id));
  if (due.every(({ left }) => left === 0)) return [];
  const system = project.unitSystem;
  // Spare sets and tops can wait.
  const figures = { ...wanted.plan.figures, spareSets: 0 };
  const { lines } = orderOf({ ...wanted, blocks: due, top: [], plan: { ...wanted.plan, figures, notions: [] } });
  return lines.flatMap((line) => (line.packs > 0 ? [`${sayThing(line)} ${sayToBuy(line, system)}`] : []));
} // prettier-ignore
