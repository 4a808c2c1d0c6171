import { json, type Sql } from '../database';

/** Who did something to which project. */
interface Deed {
  readonly account: { readonly id: string };
  readonly project: { readonly id: string };
}

/** Notes who did what. */
export async function audit(
  sql: Sql,
  { account, project }: Deed,
  what: string,
  details: object,
): Promise<void> {
  await sql`
    insert into audit (project_id, account_id, what, details)
    values (${project.id}, ${account.id}, ${what}, ${json(sql, details)})`;
}
