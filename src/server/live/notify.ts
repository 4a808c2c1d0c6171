import type { Sql } from '../database';

/** Channel on which every server process hears of changes. */
export const CHANNEL = 'kevlo_changes';

/** `everything` after a lost connection: nobody knows what was missed. */
export type ChangeKind =
  | 'progress'
  | 'kits'
  | 'blocks'
  | 'makers'
  | 'calendar'
  | 'settings'
  | 'people'
  | 'reminders'
  | 'troubles'
  | 'logbook'
  | 'everything';

export interface Change {
  readonly projectId: string;
  readonly kind: ChangeKind;
}

/** Tells all server processes that something of a project changed; sent when the transaction commits. */
export async function notify(sql: Sql, projectId: string, kind: ChangeKind): Promise<void> {
  await sql`select pg_notify(${CHANNEL}, ${JSON.stringify({ projectId, kind } satisfies Change)})`;
}
