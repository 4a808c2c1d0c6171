import { itemAt } from '@/core/lists';
import type { ProgressEvent, StepUnits } from '@/core/progress';
import type { Sql } from '../database';
import type { Project } from '../projects';

/** One maker's events on one block, in the order in which they came. */
export interface PairEvents {
  readonly makerId: string;
  readonly blockId: string;
  readonly events: readonly ProgressEvent[];
}

interface PairRow {
  readonly makerId: string;
  readonly blockId: string;
  readonly ids: readonly string[];
  readonly steps: readonly string[];
  readonly kinds: readonly ProgressEvent['kind'][];
  readonly times: readonly string[];
  /** Empty where nothing was noted. */
  readonly made: readonly string[];
}

/** Events of a project's makers, or of one of them, by maker and block; without the patches of their steps. */
export async function readEvents(sql: Sql, project: Project, makerId?: string): Promise<PairEvents[]> {
  const rows = await sql<PairRow[]>`
    select e.maker_id as "makerId", e.block_id as "blockId", array_agg(e.id order by e.id) as ids,
      array_agg(e.step_id order by e.id) as steps, array_agg(e.kind order by e.id) as kinds,
      array_agg(e.at order by e.id) as times, array_agg(coalesce(e.made, '') order by e.id) as made
    from progress_event e join maker m on m.id = e.maker_id
    where m.project_id = ${project.id} ${makerId ? sql`and m.id = ${makerId}` : sql``}
    group by e.maker_id, e.block_id`;
  return rows.map(({ makerId: maker, blockId, ids, steps, kinds, times, made }) => ({
    makerId: maker,
    blockId,
    // A device's own id is once in the table: the number of its row tells events apart as well.
    events: ids.map((id, i) => ({
      clientId: id,
      stepId: itemAt(steps, i),
      kind: itemAt(kinds, i),
      at: itemAt(times, i),
      ...(made[i] ? { made: made[i] } : {}),
    })),
  }));
}

/** Patches of the steps that a maker recorded on a block, by step; only old work needs them. */
export async function readUnits(
  sql: Sql,
  project: Project,
  makerId: string,
  blockId: string,
): Promise<Map<string, StepUnits>> {
  const rows = await sql<{ stepId: string; units: StepUnits }[]>`
    select distinct on (e.step_id) e.step_id as "stepId", e.units
    from progress_event e join maker m on m.id = e.maker_id
    where m.project_id = ${project.id} and m.id = ${makerId} and e.block_id = ${blockId} and e.units is not null
    order by e.step_id, e.id desc`;
  return new Map(rows.map(({ stepId, units }) => [stepId, units]));
}
