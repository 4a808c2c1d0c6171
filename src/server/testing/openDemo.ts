import path from 'node:path';
import type postgres from 'postgres';
import { loadDemo, type DemoSignIns } from '../demo';
import { openProject, type Access } from '../projects';

/** Loads the demo as it is at a time and opens it as its host. */
export async function openDemo(
  sql: postgres.Sql,
  now: Date,
): Promise<{ readonly access: Access<'own'>; readonly signIns: DemoSignIns }> {
  const signIns = await loadDemo(sql, path.join(process.cwd(), 'demo/blocks'), now);
  const [row] = await sql<{ id: string; host: string }[]>`
    select p.id, m.account_id as host from project p join membership m on m.project_id = p.id and m.role = 'host'
    where p.is_demo order by m.account_id limit 1`;
  const host = { id: row?.host ?? '', email: '', name: 'Host' };
  return { access: await openProject(sql, host, row?.id ?? '', 'own'), signIns };
}
