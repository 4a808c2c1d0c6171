import { ownMinutes, type Calendar } from '@/core/calendar';
import type { SewnWork } from '@/core/pace';
import type { BlockSummary } from '@/core/sheet';
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
  const minutes = minutesBy(standards);
  const byMaker = new Map<string, PairStanding[]>(rows.map(({ id }) => [id, []]));
  for (const pair of pairs) byMaker.get(pair.makerId)?.push(pair);
  return rows.map(({ id, since }) => {
    const own = byMaker.get(id) ?? [];
    const work = own.flatMap((pair) => (pair.events.length === 0 ? [] : workOf(pair, minutes)));
    const left = own.map(({ blockId, standing }) => ({ blockId, minutes: leftOf(standing, minutes) }));
    return { id, since: work.reduce((first, { at }) => Math.min(first, at), Date.parse(since)), work, left };
  });
} // prettier-ignore

/** Minutes of the steps that are not done: nothing at all where all are, however their minutes round. */
export function leftOf({ summary, done, covered }: PairStanding['standing'], own: OwnMinutes): number {
  let left = 0;
  for (const [id, minutes] of own(summary).of) if (!done.has(id) && !covered.has(id)) left += minutes;
  return left;
}

/** Steps that are done, each at the time when it was ticked; one of an older order counts as long as the block's steps do in the mean. */
function workOf({ standing: { summary }, events }: PairStanding, own: OwnMinutes): SewnWork[] {
  const { of, total } = own(summary);
  const mean = total / Math.max(1, of.size);
  return [...tickedAt(events)].map(([step, at]) => ({ at, minutes: of.get(step) ?? mean }));
}

type OwnMinutes = (summary: BlockSummary) => {
  readonly of: ReadonlyMap<string, number>;
  readonly total: number;
};

/** Minutes of steps as a project reckons with them, worked out once for each block. */
function minutesBy(standards: Calendar['standards']): OwnMinutes {
  const known = new Map<BlockSummary, { of: Map<string, number>; total: number }>();
  return (summary) => {
    let own = known.get(summary);
    if (!own) {
      const of = new Map(summary.steps.map((step) => [step.id, ownMinutes(step, standards)]));
      own = { of, total: [...of.values()].reduce((sum, minutes) => sum + minutes, 0) };
      known.set(summary, own);
    }
    return own;
  };
}

function tickedAt(events: readonly ProgressEvent[]): Map<string, number> {
  const ticked = new Map<string, number>();
  for (const { stepId, kind, at } of [...events].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))) {
    if (kind === 'undone') ticked.delete(stepId);
    else if (kind === 'done' && !ticked.has(stepId)) ticked.set(stepId, Date.parse(at));
  }
  return ticked;
}
