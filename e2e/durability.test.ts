import { randomUUID } from 'node:crypto';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { setTimeout as sleep } from 'node:timers/promises';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { connect } from '@/server/database';
import { databaseUrl, startCluster, stopCluster } from '../cli/cluster';
import { freePort } from '../cli/ports';

/** Ticks go on while the server and its database are killed: what was acknowledged must be there afterwards. */
const KEVLO = path.join(process.cwd(), 'kevlo');
/** Ticks that are acknowledged before the kill. */
const LEAST_ACKNOWLEDGED = 50;
let folder = '';
let child: ChildProcess | undefined;

beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'kevlo-durability-'));
  chmodSync(folder, 0o711);
});

afterAll(() => {
  // Ends the server that the killed run left behind, and the database.
  spawnSync(KEVLO, ['stop'], { env: { ...process.env, KEVLO_DATA: folder } });
  rmSync(folder, { recursive: true, force: true });
});

async function start(port: number): Promise<string> {
  child = spawn(KEVLO, ['start'], {
    env: { ...process.env, KEVLO_DATA: folder, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'ignore'],
    detached: true,
  });
  let text = '';
  child.stdout?.on('data', (chunk: Buffer) => (text += chunk.toString()));
  // The demo is made first: on a busy machine that takes minutes.
  for (let waited = 0; waited < 4000 && !text.includes('Ctrl-C stops it'); waited++) await sleep(100);
  return /\/m\/([\w-]+)/.exec(text)?.[1] ?? '';
}

test('no acknowledged tick is lost when server and database are killed under load, and repeats count once', async () => {
  const port = await freePort();
  const token = await start(port);
  const page = (await (await fetch(`http://127.0.0.1:${port}/api/m/${token}`)).json()) as {
    blocks: { id: string; sheet: { steps: { id: string }[] } }[];
  };
  const [block] = page.blocks;
  const acknowledged = new Set<string>();
  let isEnding = false;
  const send = async (events: object[]) =>
    fetch(`http://127.0.0.1:${port}/api/m/${token}/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ events }),
    });
  const tick = (step = 0) => ({
    clientId: randomUUID(),
    blockId: block?.id,
    stepId: block?.sheet.steps[step]?.id,
    kind: 'done',
    at: new Date().toISOString(),
  });
  const sender = async () => {
    for (let i = 0; i < 2000 && !isEnding; i++) {
      const event = tick(i % 30);
      try {
        if ((await send([event])).ok) acknowledged.add(event.clientId);
      } catch {
        // The server is gone: what was not acknowledged may be lost.
        return;
      }
    }
  };
  const senders = Array.from({ length: 6 }, sender);
  // However slow the machine is, the kill comes while ticks are on their way and after some were acknowledged.
  for (let waited = 0; waited < 600 && acknowledged.size <= LEAST_ACKNOWLEDGED; waited++) await sleep(100);
  const postmaster = Number(
    readFileSync(path.join(folder, 'postgres/postmaster.pid'), 'utf8').split('\n')[0],
  );
  process.kill(postmaster, 'SIGKILL');
  await sleep(300);
  isEnding = true;
  process.kill(-(child?.pid ?? 0), 'SIGKILL');
  await Promise.allSettled(senders);
  expect(acknowledged.size).toBeGreaterThan(LEAST_ACKNOWLEDGED);

  const cluster = await startCluster(folder);
  const sql = connect(databaseUrl(cluster), 1);
  const rows = await sql<{ id: string }[]>`select client_id as id from progress_event`;
  await sql.end();
  const kept = new Set(rows.map(({ id }) => id));
  expect([...acknowledged].filter((id) => !kept.has(id))).toEqual([]);
  expect(kept.size).toBe(rows.length);
}, 600_000);

test('a killed database that is listed a moment longer is waited for, then started', async () => {
  await stopCluster(folder);
  // A killed server’s process may linger until it is collected; here another short-lived one stands for it.
  const lingering = spawn('sleep', ['2']);
  const data = path.join(folder, 'postgres');
  const file = path.join(data, 'postmaster.pid');
  writeFileSync(file, [lingering.pid, data, 0, await freePort(), '', '127.0.0.1', '', ''].join('\n'));
  const cluster = await startCluster(folder);
  expect(cluster.wasStarted).toBe(true);
  const sql = connect(databaseUrl(cluster), 1);
  expect(await sql`select 1 as one`).toEqual([{ one: 1 }]);
  await sql.end();
  expect(existsSync(file)).toBe(true);
});
