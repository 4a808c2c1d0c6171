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
  /** A list as JSON, which is read many times quicker than arrays of the database. */
  readonly events: string;
}

/** Number of its row, step, kind, ms since 1970, and what it was done with. */
type EventRow = readonly [string, string, ProgressEvent['kind'], number, string | null];

/** Events of a project's makers, or of some of them, by maker and block; without the patches of their steps. */
export async function readEvents(
  sql: Sql,
  project: Project,
  makerIds?: readonly string[],
): Promise<PairEvents[]> {
  const rows = await sql<PairRow[]>`
    select e.maker_id as "makerId", e.block_id as "blockId",
      json_agg(json_build_array(e.id::text, e.step_id, e.kind, (extract(epoch from e.at) * 1000)::float8, e.made) order by e.id)::text as events
    from progress_event e join maker m on m.id = e.maker_id
    where m.project_id = ${project.id} ${makerIds ? sql`and m.id = any(${[...makerIds]})` : sql``}
    group by e.maker_id, e.block_id`;
  return rows.map(({ makerId: maker, blockId, events }) => ({
    makerId: maker,
    blockId,
    // A device's own id is once in the table: the number of its row tells events apart as well.
    events: (JSON.parse(events) as EventRow[]).map(([clientId, stepId, kind, at, made]) => ({
      clientId,
      stepId,
      kind,
      at: new Date(at).toISOString(),
      ...(made ? { made } : {}),
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
