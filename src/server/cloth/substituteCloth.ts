import type postgres from 'postgres';
import { audit, type Access } from '../projects';
import { inTransaction } from '../database';
import { invalid, notFound } from '../errors';
import { notify } from '../live';
import { keepLooks } from './cloths';

/** Which cloth a maker has in place of one; null for that one itself. */
export interface MakersCloth {
  readonly makerId: string;
  readonly from: string;
  readonly to: string | null;
}

/**
 * Gives makers another cloth in place of one, in all bags that take it: what is packed, labelled, ordered and said on their pages.
 * @returns what they had before, to be taken back
 * @throws ServerError 404 for a maker of another project, 422 for a cloth in place of itself
 */
export async function substituteCloth(
  sql: postgres.Sql,
  access: Access<'edit'>,
  wishes: readonly MakersCloth[],
): Promise<{ readonly before: readonly MakersCloth[] }> {
  const { project } = access;
  const same = wishes.find(({ from, to }) => from === to);
  if (same) throw invalid(`“${same.from}” cannot stand in for itself.`, 'Choose another cloth.', 'to');
  return inTransaction(sql, async (step) => {
    const before: MakersCloth[] = [];
    // In one order for everybody: two who change the same makers wait for each other.
    for (const { makerId, from, to } of [...wishes].sort((a, b) => (a.makerId < b.makerId ? -1 : 1))) {
      const [maker] = await step<{ cloths: Record<string, string> }[]>`
        select cloths from maker where id = ${makerId} and project_id = ${project.id} and removed_at is null for update`;
      if (!maker) throw notFound('This maker');
      before.push({ makerId, from, to: maker.cloths[from] ?? null });
      if (to === null) await step`update maker set cloths = cloths - ${from}::text where id = ${makerId}`;
      else await step`update maker set cloths = cloths || jsonb_build_object(${from}::text, ${to}::text) where id = ${makerId}`;
    }
    await keepLooks(step, project, [...new Set(wishes.flatMap(({ to }) => to ?? []))], {});
    await audit(step, access, 'cloth-substituted', { wishes });
    await notify(step, project.id, 'makers');
    return { before };
  });
} // prettier-ignore
