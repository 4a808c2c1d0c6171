import { ownMinutes, type Calendar } from '@/core/calendar';
import type { SewnWork } from '@/core/pace';
import type { ProgressEvent } from '@/core/progress';
import type { Sql } from '../database';
import type { Project } from '../projects';
import { standingsOf, type PairStanding } from './makerStanding';

/** What a maker has sewn so far, and what is left of each block. */
export interface OpenHistory {
  readonly id: string;
  /** When they were added, or their first entry where it is older; ms. */
  readonly since: number;
  readonly work: readonly SewnWork[];
  /** Standard minutes. */
  readonly left: readonly { readonly blockId: string; readonly minutes: number }[];
}

/** Histories of all makers of a project who are in it now, by id. @param standards how many times the standard each work takes */
export async function makerHistories(
  sql: Sql,
  project: Project,
  standards: Calendar['standards'] = {},
  standings: Promise<PairStanding[]> = standingsOf(sql, project),
): Promise<OpenHistory[]> {
  const [rows, pairs] = await Promise.all([
    sql<{ id: string; since: string }[]>`
      select id, created_at as since from maker where project_id = ${project.id} and removed_at is null order by lower(name), id`,
    standings,
  ]);
  return rows.map(({ id, since }) => {
    const own = pairs.filter(({ makerId }) => makerId === id);
    const work = own.flatMap((pair) => workOf(pair, standards));
    const left = own.map(({ blockId, standing }) => ({ blockId, minutes: leftOf(standing, standards) }));
    return { id, since: Math.min(Date.parse(since), ...work.map(({ at }) => at)), work, left };
  });
} // prettier-ignore

function leftOf(
  { summary, done, covered }: PairStanding['standing'],
  standards: Calendar['standards'],
): number {
  const open = summary.steps.filter(({ id }) => !done.has(id) && !covered.has(id));
  return open.reduce((sum, step) => sum + ownMinutes(step, standards), 0);
}

/** Steps that are done, each at the time when it was ticked; one of an older order counts as long as the block's steps do in the mean. */
function workOf(
  { standing: { summary }, events }: PairStanding,
  standards: Calendar['standards'],
): SewnWork[] {
  const minutesOf = new Map(summary.steps.map((step) => [step.id, ownMinutes(step, standards)]));
  const mean =
    [...minutesOf.values()].reduce((sum, minutes) => sum + minutes, 0) / Math.max(1, summary.steps.length);
  return [...tickedAt(events)].map(([step, at]) => ({ at, minutes: minutesOf.get(step) ?? mean }));
}

function tickedAt(events: readonly ProgressEvent[]): Map<string, number> {
  const ticked = new Map<string, number>();
  for (const { stepId, kind, at } of [...events].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))) {
    if (kind === 'undone') ticked.delete(stepId);
    else if (kind === 'done' && !ticked.has(stepId)) ticked.set(stepId, Date.parse(at));
  }
  return ticked;
}
