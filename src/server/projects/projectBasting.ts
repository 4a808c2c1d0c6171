import type { Access } from './access';
import type postgres from 'postgres';
import type { ProjectBasting } from '@/core/block';
import { readProjectBasting } from '@/core/formats';
import { audit } from './audit';
import { inTransaction, json } from '../database';
import { notify } from '../live';
import { readProject } from './project';
import { refused } from '../refused';

/**
 * Changes how the project folds and holds its papers. What is said of other papers and cloths is left as it is, so that
 * two people who choose at once lose nothing.
 * @param change said anew of the project as it is now
 * @returns how it was before, so that it can be taken back
 */
export async function changeProjectBasting(
  sql: postgres.Sql,
  access: Access<'edit'>,
  change: (before: ProjectBasting) => unknown,
): Promise<ProjectBasting> {
  const { project } = access;
  return inTransaction(sql, async (step) => {
    await step`select 1 from project where id = ${project.id} for update`;
    const { basting: before } = await readProject(step, project);
    const basting = refused(() => readProjectBasting(change(before)));
    await step`
      update project set basting = ${json(step, basting)} where id = ${project.id}`;
    await audit(step, access, 'basting-changed', { before, after: basting });
    await notify(step, project.id, 'blocks');
    return before;
  });
}
