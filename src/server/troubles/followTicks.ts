import type { ProgressEvent } from '@/core/progress';
import type { Sql } from '../database';

/**
 * What ticks say of troubles: “stuck” opens one under the id of its tick, a step that is done after all settles it, one that is
 * taken back withdraws it. A tick that is older than the trouble says nothing of it.
 */
export async function followTicks(
  step: Sql,
  makerId: string,
  ticks: readonly (ProgressEvent & { readonly blockId: string })[],
): Promise<boolean> {
  const inTime = [...ticks].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  let isAny = false;
  for (const { clientId, blockId, stepId, kind, at } of inTime) {
    const rows =
      kind === 'stuck'
        ? await step`
            insert into trouble (id, maker_id, block_id, step_id, at)
            select ${clientId}, ${makerId}, ${blockId}, ${stepId}, ${at}
            where not exists (select 1 from progress_event e where e.maker_id = ${makerId} and e.block_id = ${blockId}
              and e.step_id = ${stepId} and e.kind <> 'stuck' and e.at > ${at})
            on conflict do nothing returning id`
        : await step`
            update trouble set state = ${kind === 'done' ? 'settled' : 'withdrawn'}, changed_at = now(), revision = revision + 1
            where maker_id = ${makerId} and block_id = ${blockId} and step_id = ${stepId}
              and state in ('open', 'answered') and at <= ${at} returning id`;
    isAny ||= rows.length > 0;
  }
  return isAny;
}
