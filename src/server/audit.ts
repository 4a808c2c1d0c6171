import type postgres from 'postgres';
import type { Sql } from './database';

/** Notes who did what. */
export async function audit(
  sql: Sql,
  projectId: string,
  accountId: string | null,
  what: string,
  details: object,
): Promise<void> {
  await sql`
    insert into audit (project_id, account_id, what, details)
    values (${projectId}, ${accountId}, ${what}, ${sql.json(details as postgres.JSONValue)})`;
}
