import type postgres from 'postgres';
import { json, type Sql } from '../database';

/** Work that is finished even where the process that began it is killed. */
export interface Job {
  readonly id: string;
  readonly kind: string;
  readonly projectId: string;
  readonly accountId: string | null;
  readonly details: Readonly<Record<string, unknown>>;
  /** How often it was begun, this time included. */
  readonly tries: number;
}

export type JobState = 'waiting' | 'running' | 'done' | 'failed';

/**
 * What does a kind of job. It may be begun again after a kill at any place: what is done already must be seen and left.
 * It fails by throwing, and is then tried again later.
 */
export type JobWork = (sql: postgres.Sql, job: Job) => Promise<void>;

/** What each kind of job does. */
export type JobKinds = Readonly<Record<string, JobWork>>;

/** Writes down what is to be done; within a transaction it is there only if that succeeds. */
export async function addJob(
  sql: Sql,
  kind: string,
  { projectId, accountId, details = {} }: { projectId: string; accountId?: string; details?: object },
): Promise<string> {
  const [row] = await sql<{ id: string }[]>`
    insert into job (kind, project_id, account_id, details)
    values (${kind}, ${projectId}, ${accountId ?? null}, ${json(sql, details)}) returning id`;
  return row?.id ?? '';
}

/** Whoever runs a job says so this often, s; unheard of for longer than the second figure, it may be taken over. */
const SAYS_SO_S = 5;
const LOST_S = 20;
/** A job that failed this often is left for somebody to look at. */
const MOST_TRIES = 5;

/** Takes a job that is due, or one whose runner was lost. Many may ask at once: each job goes to one of them. */
async function takeJob(sql: postgres.Sql, kinds: readonly string[], id?: string): Promise<Job | undefined> {
  const [job] = await sql<Job[]>`
    update job set state = 'running', seen_at = now(), tries = tries + 1
    where id = (
      select id from job
      where kind in ${sql(kinds)} ${id ? sql`and id = ${id}` : sql``}
        and (state = 'waiting' and due_at <= now()
          or state = 'running' and seen_at < now() - ${LOST_S} * interval '1 second')
      order by due_at, made_at limit 1 for update skip locked)
    returning id, kind, project_id as "projectId", account_id as "accountId", details, tries`;
  return job;
}

/** Runs a job that was taken. Its end is written only by whoever has it still. */
async function runJob(sql: postgres.Sql, kinds: JobKinds, job: Job): Promise<void> {
  const mine = sql`where id = ${job.id} and tries = ${job.tries} and state = 'running'`;
  const sayso = setInterval(() => {
    void sql`update job set seen_at = now() ${mine}`.catch(() => undefined);
  }, SAYS_SO_S * 1000);
  try {
    await kinds[job.kind]?.(sql, job);
    await sql`update job set state = 'done', says = '' ${mine}`;
  } catch (error) {
    const says = error instanceof Error ? error.message : String(error);
    const state: JobState = job.tries >= MOST_TRIES ? 'failed' : 'waiting';
    await sql`
      update job set state = ${state}, says = ${says.slice(0, 500)},
        due_at = now() + ${2 ** job.tries} * interval '1 second' ${mine}`;
  } finally {
    clearInterval(sayso);
  }
}

/** Runs everything that is due, one job after another. @returns how many were run */
export async function runDueJobs(sql: postgres.Sql, kinds: JobKinds): Promise<number> {
  for (let count = 0; ; count++) {
    const job = await takeJob(sql, Object.keys(kinds));
    if (!job) return count;
    await runJob(sql, kinds, job);
  }
}

/** Runs one job now, unless somebody else does. @returns how it stands, and what went wrong if anything */
export async function runJobNow(
  sql: postgres.Sql,
  kinds: JobKinds,
  id: string,
): Promise<{ readonly state: JobState; readonly says: string }> {
  const job = await takeJob(sql, Object.keys(kinds), id);
  if (job) await runJob(sql, kinds, job);
  const [row] = await sql<{ state: JobState; says: string }[]>`select state, says from job where id = ${id}`;
  return row ?? { state: 'failed', says: 'It was deleted meanwhile.' };
}
