import { inOwnOrder } from '@/core/bags';
import { dayAt, dropsOf, type Calendar } from '@/core/calendar';
import type { MakerFacts, ReminderFacts } from '@/core/reminders';
import { listSummaries } from '../blocks';
import { projectPace, readKeptCalendar } from '../calendar';
import type { Sql } from '../database';
import { listMakers } from '../makers';
import { standingsOf, type PairStanding } from '../progress';
import type { Project } from '../projects';

/** What reminders of a project are drafted from, as things stand. */
export async function reminderFacts(sql: Sql, project: Project, now: number): Promise<ReminderFacts> {
  const [{ calendar }, { blocks }, pairs, makers] = await Promise.all([
    readKeptCalendar(sql, project),
    listSummaries(sql, project),
    standingsOf(sql, project),
    listMakers(sql, project),
  ]);
  const pace = await projectPace(sql, project, calendar, [], now, Promise.resolve(pairs));
  const inOrder = sewnInOrder(calendar, blocks.map(({ id }) => id)); // prettier-ignore
  return {
    project: project.name,
    shop: project.shop,
    calendar,
    blocks: blocks.map(({ id, name }) => ({ id, name })),
    makers: pace.makers.map((maker): MakerFacts => {
      const {
        groupId = null,
        isPaused = false,
        making = [],
      } = makers.find(({ id }) => id === maker.id) ?? {};
      const theirs = inOwnOrder(
        inOrder.map((id) => ({ id })),
        making,
      );
      const own = theirs.flatMap(({ id: block }) => pairs.find((pair) => pair.makerId === maker.id && pair.blockId === block) ?? []); // prettier-ignore
      return { ...maker, groupId, isPaused, ...workOf(own, calendar.timeZone) };
    }),
    today: dayAt(now, calendar.timeZone),
  };
}

/** Blocks in the order in which they are handed out; those in no drop come last. */
function sewnInOrder(calendar: Calendar, blocks: readonly string[]): string[] {
  return [...new Set([...dropsOf(calendar).flatMap((drop) => drop.blocks), ...blocks])];
}

function workOf(
  pairs: readonly PairStanding[],
  timeZone: string,
): Pick<MakerFacts, 'blocks' | 'finished' | 'isStuck' | 'next' | 'last'> {
  const openOf = ({ standing: { summary, done, covered } }: PairStanding) =>
    summary.steps.find(({ id }) => !done.has(id) && !covered.has(id));
  const next = pairs.map(openOf).find((step) => step !== undefined);
  const last = Math.max(...pairs.flatMap(({ events }) => events.map(({ at }) => Date.parse(at))));
  return {
    blocks: pairs.map(({ blockId }) => blockId),
    finished: pairs.filter((pair) => !openOf(pair)).map(({ blockId }) => blockId),
    isStuck: pairs.some(({ standing }) => standing.stuck.size > 0),
    ...(next ? { next: next.text } : {}),
    ...(Number.isFinite(last) ? { last: dayAt(last, timeZone) } : {}),
  };
}
