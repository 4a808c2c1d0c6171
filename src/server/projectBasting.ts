import type postgres from 'postgres';
import type { ProjectBasting } from '@/core/block';
import { readProjectBasting } from '@/core/formats';
import type { Account } from './accounts';
import { audit } from './audit';
import { inTransaction } from './database';
import { notify } from './notify';
import { openProject, projectById } from './projects';
import { refused } from './refused';

/**
 * Changes how the project folds and holds its papers. What is said of other papers and cloths is left as it is, so that
 * two people who choose at once lose nothing.
 * @param change said anew of the project as it is now
 * @returns how it was before, so that it can be taken back
 */
export async function changeProjectBasting(
  sql: postgres.Sql,
  account: Account,
  projectId: string,
  change: (before: ProjectBasting) => unknown,
): Promise<ProjectBasting> {
  await openProject(sql, account, projectId, 'edit');
  return inTransaction(sql, async (step) => {
    await step`select 1 from project where id = ${projectId} for update`;
    const { basting: before } = await projectById(step, projectId);
    const basting = refused(() => readProjectBasting(change(before)));
    await step`
      update project set basting = ${step.json(basting as unknown as postgres.JSONValue)} where id = ${projectId}`;
    await audit(step, projectId, account.id, 'basting-changed', { before, after: basting });
    await notify(step, projectId, 'blocks');
    return before;
  });
}
