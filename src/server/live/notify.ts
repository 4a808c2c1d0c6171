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
  /** What the tape says was reckoned anew; nothing else changed. */
  | 'badges'
  | 'everything';

export interface Change {
  readonly projectId: string;
  readonly kind: ChangeKind;
  /** Whose progress it is, where it is one maker’s: a wall need not read the others again. */
  readonly makerId?: string;
}

/** Tells all server processes that something of a project changed; sent when the transaction commits. */
export async function notify(sql: Sql, projectId: string, kind: ChangeKind, makerId?: string): Promise<void> {
  const change: Change = { projectId, kind, ...(makerId === undefined ? {} : { makerId }) };
  await sql`select pg_notify(${CHANNEL}, ${JSON.stringify(change)})`;
}
