import { learntStandards, type LearntStandard, type TimedWork } from '@/core/pace';
import { listSummaries, type BlockWithSummary } from '../blocks';
import type { Sql } from '../database';
import type { Project } from '../projects';

/** How long each kind of work takes the makers of a project, told from what they timed; each maker's latest time of each step counts. */
export async function learntOf(
  sql: Sql,
  project: Project,
  blocks?: readonly Pick<BlockWithSummary, 'id' | 'summary'>[],
): Promise<LearntStandard[]> {
  const timed = await sql<{ maker: string; blockId: string; stepId: string; minutes: number }[]>`
    select distinct on (e.maker_id, e.block_id, e.step_id)
      e.maker_id as maker, e.block_id as "blockId", e.step_id as "stepId", e.minutes::float8 as minutes
    from progress_event e join maker m on m.id = e.maker_id
    where m.project_id = ${project.id} and e.kind = 'done' and e.minutes > 0
    order by e.maker_id, e.block_id, e.step_id, e.at desc, e.id desc`;
  if (timed.length === 0) return [];
  const all = blocks ?? (await listSummaries(sql, project)).blocks;
  const steps = new Map(all.flatMap(({ id, summary }) => summary.steps.map((step) => [`${id}/${step.id}`, step] as const)));
  return learntStandards(
    timed.flatMap(({ maker, blockId, stepId, minutes }): TimedWork[] => {
      const step = steps.get(`${blockId}/${stepId}`);
      return step && step.minutes > 0 ? [{ maker, work: step.work, standard: step.minutes, minutes }] : [];
    }),
  );
} // prettier-ignore
