import type postgres from 'postgres';
import { afterAll, beforeAll, beforeEach, expect, test } from 'vitest';
import { createFirstAccount, type Account } from '../accounts';
import { listBlocks } from '../blocks';
import { testDatabase } from '../testing';
import { addSample } from '../demo';
import { DEMO_BLOCKS } from '../demoData';
import { JOB_KINDS } from '../jobKinds';
import { listMakers } from '../makers';
import { createProject, openProject } from '../projects';
import { addJob, runDueJobs, runJobNow, type Job, type JobWork } from './jobs';

let sql: postgres.Sql;
let drop: () => Promise<void>;
let host: Account;
let projectId: string;

beforeAll(async () => {
  ({ sql, drop } = await testDatabase());
  host = await createFirstAccount(sql, 'host@one.example', 'Host', 'a long password');
  projectId = (await createProject(sql, host, { name: 'Jobs' })).project.id;
});

afterAll(() => drop());
beforeEach(() => sql`delete from job`);

const stateOf = async (id: string) =>
  (await sql`select state, tries, says, due_at > now() as "isLater" from job where id = ${id}`)[0];

test('each job goes to one of many who look for work, and each is done once', async () => {
  for (let i = 0; i < 20; i++) await addJob(sql, 'count', { projectId, details: { i } });
  const seen: unknown[] = [];
  const work = async (_: postgres.Sql, { details }: Job) => void seen.push(details.i);
  const runs = await Promise.all(Array.from({ length: 5 }, () => runDueJobs(sql, { count: work })));
  expect(runs.reduce((sum, count) => sum + count, 0)).toBe(20);
  expect([...seen].sort((a, b) => Number(a) - Number(b))).toEqual(Array.from({ length: 20 }, (_, i) => i));
  expect(await runDueJobs(sql, { count: work })).toBe(0);
});

test('what fails is tried again later, five times, with what went wrong; other kinds are left alone', async () => {
  const id = await addJob(sql, 'broken', { projectId });
  const other = await addJob(sql, 'other', { projectId });
  const kinds = { broken: () => Promise.reject(new Error('no thread')) };
  expect(await runJobNow(sql, kinds, id)).toEqual({ state: 'waiting', says: 'no thread' });
  expect(await stateOf(id)).toMatchObject({ state: 'waiting', tries: 1, isLater: true });
  expect(await runDueJobs(sql, kinds)).toBe(0);
  for (let tries = 2; tries <= 5; tries++) {
    await sql`update job set due_at = now() where id = ${id}`;
    expect(await runDueJobs(sql, kinds)).toBe(1);
  }
  expect(await stateOf(id)).toMatchObject({ state: 'failed', tries: 5 });
  expect(await stateOf(other)).toMatchObject({ state: 'waiting', tries: 0 });
});

test('a job whose runner was lost is taken over after a while, not before, and the lost one writes nothing any more', async () => {
  const id = await addJob(sql, 'long', { projectId });
  let letGo = () => {};
  const slow = runJobNow(sql, { long: () => new Promise<void>((resolve) => (letGo = resolve)) }, id);
  await expect.poll(async () => (await stateOf(id))?.state).toBe('running');
  const quick = { long: async () => {} };
  expect(await runDueJobs(sql, quick)).toBe(0);
  await sql`update job set seen_at = now() - interval '19 seconds' where id = ${id}`;
  expect(await runDueJobs(sql, quick)).toBe(0);
  await sql`update job set seen_at = now() - interval '21 seconds' where id = ${id}`;
  const failing = { long: () => Promise.reject(new Error('second runner')) };
  expect(await runDueJobs(sql, failing)).toBe(1);
  letGo();
  await slow;
  expect(await stateOf(id)).toMatchObject({ state: 'waiting', tries: 2, says: 'second runner' });
});

test('a sample that was interrupted anywhere is finished from there, and nothing is there twice', async () => {
  const { id, job } = await addSample(sql, host);
  const access = await openProject(sql, host, id, 'own');
  const dying = async (...asked: Parameters<JobWork>) => {
    await JOB_KINDS.sample?.(...asked);
    // As a kill would leave it: some blocks and makers are missing, and nothing is recorded yet.
    const makers = sql`select id from maker where project_id = ${id}`;
    await sql`delete from progress_event where maker_id in (${makers})`;
    await sql`delete from kit where maker_id in (${makers})`;
    await sql`delete from maker where id in (${makers} order by name limit 2)`;
    await sql`delete from block where id in (select id from block where project_id = ${id} order by place desc limit 2)`;
    throw new Error('killed');
  };
  expect(await runJobNow(sql, { sample: dying }, job ?? '')).toEqual({ state: 'waiting', says: 'killed' });
  await sql`update job set due_at = now() where id = ${job ?? ''}`;
  expect(await runDueJobs(sql, JOB_KINDS)).toBe(1);
  const names = (await listBlocks(sql, access.project)).map(({ name }) => name).sort();
  expect(names).toEqual(DEMO_BLOCKS.map(({ name }) => name).sort());
  expect(await listMakers(sql, access.project)).toHaveLength(14);
  const [events] = await sql`select count(*)::int as n, count(distinct step_id || maker_id)::int as different from progress_event e join maker m on m.id = e.maker_id where m.project_id = ${id} and e.kind = 'done'`;
  expect(events?.n).toBeGreaterThan(500);
  expect(events?.n).toBe(events?.different);
}); // prettier-ignore
