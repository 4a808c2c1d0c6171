import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { connect, inTransaction, migrate } from '.';
import { testProject, type TestProject } from '../testing';

let { sql, drop, url } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, url } = await testProject('Test project'));
});

afterAll(() => drop());

test('migrations are applied once, also when two servers start together', async () => {
  const folder = path.join(process.cwd(), 'src/server/migrations');
  const other = connect(url, 2);
  expect(await Promise.all([migrate(sql, folder), migrate(other, folder)])).toEqual([[], []]);
  await other.end();
});

test('a connection that is lost within a transaction ends that one alone: nothing hangs, nothing runs outside of it', async () => {
  const own = connect(url, 2);
  const one = (isKilled: boolean) =>
    inTransaction(own, async (step) => {
      const [before] = await step<{ pid: number }[]>`select pg_backend_pid() as pid`;
      if (isKilled) await sql`select pg_terminate_backend(${before!.pid})`;
      await step`select pg_sleep(0.005)`;
      const [after] = await step<{ pid: number }[]>`select pg_backend_pid() as pid`;
      return before!.pid === after!.pid;
    });
  for (let round = 0; round < 4; round++) {
    const ends = await Promise.allSettled(Array.from({ length: 20 }, (_, i) => one(i % 5 === 0)));
    const kept = ends.flatMap((end) => (end.status === 'fulfilled' ? [end.value] : []));
    expect(kept).toEqual(Array.from({ length: 16 }, () => true));
  }
  await expect(inTransaction(own, () => Promise.reject(new Error('own fault')))).rejects.toThrow('own fault');
  expect(await inTransaction(own, (step) => step`select 1 as one`)).toEqual([{ one: 1 }]);
  await own.end();
});
