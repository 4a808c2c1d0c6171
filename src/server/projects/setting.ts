import type { Access } from './access';
import type postgres from 'postgres';
import { readSetting, renameInSetting } from '@/core/formats';
import type { Setting } from '@/core/setting';
import { audit } from './audit';
import { inTransaction, type Sql, json } from '../database';
import { conflict } from '../errors';
import { notify } from '../live';
import { type Project } from './project';
import { refused } from '../refused';

/** The project's setting as it is kept, with the revision to save it under; null until the host decides. */
export interface KeptSetting {
  readonly setting: Setting | null;
  readonly revision: number;
}

/** Reads the setting; blocks that were taken out have left their places. */
export async function readKeptSetting(sql: Sql, project: Project): Promise<KeptSetting> {
  const [row] = await sql<{ setting: Setting | null; revision: number }[]>`
    select setting, setting_revision as revision from project where id = ${project.id}`;
  const known = await blockIds(sql, project);
  const setting = row?.setting ?? null;
  return {
    setting: setting && renameInSetting(setting, (id) => (known.has(id) ? id : undefined)),
    revision: row?.revision ?? 0,
  };
}

/** Blocks that are in the project now. */
export async function blockIds(sql: Sql, project: Project): Promise<Set<string>> {
  const rows = await sql<{ id: string }[]>`
    select id from block where project_id = ${project.id} and removed_at is null`;
  return new Set(rows.map(({ id }) => id));
}

/** Saves the setting; refused when someone else changed it meanwhile. */
export async function saveSetting(
  sql: postgres.Sql,
  access: Access<'edit'>,
  change: { setting: unknown; revision: number },
): Promise<{ revision: number }> {
  const { project } = access;
  return inTransaction(sql, async (step) => {
    const [before] = await step<{ setting: Setting | null; revision: number }[]>`
      select setting, setting_revision as revision from project where id = ${project.id} for update`;
    const known = await blockIds(step, project);
    const setting = refused(() => readSetting(change.setting, known));
    if (before?.revision !== change.revision)
      throw conflict(
        'Someone changed the setting meanwhile.',
        'Yours is still here; look at theirs, then save yours again if it still holds.',
        before,
      );
    await step`
      update project set setting = ${json(step, setting)},
        setting_revision = setting_revision + 1
      where id = ${project.id}`;
    await audit(step, access, 'setting-changed', { before: before.setting, after: setting });
    await notify(step, project.id, 'settings');
    return { revision: change.revision + 1 };
  });
}
