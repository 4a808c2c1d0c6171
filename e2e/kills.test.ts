import { randomUUID } from 'node:crypto';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import type { Account } from '@/server/accounts';
import { makeBlock } from '@/server/blocks';
import { connect } from '@/server/database';
import { addMakers } from '@/server/makers';
import { openProject } from '@/server/projects';
import { databaseUrl, startCluster, stopCluster } from '../cli/cluster';
import { Application } from './application';
import { Browser, PATIENCE_MS } from './browser';

/**
 * Database and server are killed again and again while twenty devices send and a phone is ticked by hand. `KEVLO_KILLS=100` takes
 * some ten minutes; a few are enough to notice what is lost at the first one.
 */
const KILLS = Number(process.env.KEVLO_KILLS ?? 4);
const DEVICES = 20;
/** After so long without an answer a device sends again, ms. */
const AGAIN_MS = 8000;
/** Presses on the phone at most: so many steps its block surely has. */
const MOST_PRESSES = 12;

const before = process.env.KEVLO_TEST_DATABASE;
let folder = '';
let application: Application;
let phone: Browser;
let tokens: string[] = [];
let block = '';

beforeAll(async () => {
  // A cluster of its own: the other tests’ is not to be killed.
  folder = mkdtempSync(path.join(tmpdir(), 'kevlo-kills-'));
  chmodSync(folder, 0o711);
  process.env.KEVLO_TEST_DATABASE = databaseUrl(await startCluster(folder), 'postgres');
  application = await Application.start(1);
  const [base = ''] = application.addresses;
  const host = await Browser.open(base);
  const project = await host.beginProject('host@kills.example', 'a long password', 'Killed');
  await host.close();
  const sql = connect(application.url, 2);
  const [account] = await sql<Account[]>`select id, name, email from account limit 1`;
  const access = await openProject(sql, account as Account, project.split('/')[2] ?? '', 'edit');
  block = (await makeBlock(sql, access, { name: 'Block', recipe: defaultRecipe('rosette') })).id;
  tokens = (await addMakers(sql, access, Array.from({ length: DEVICES + 1 }, (_, n) => `Maker ${n}`))).map(({ token }) => token); // prettier-ignore
  await sql.end();
  phone = await Browser.open(base, 390, 844);
});

afterAll(async () => {
  await phone?.close();
  await application?.cut();
  await stopCluster(folder).catch(() => undefined);
  rmSync(folder, { recursive: true, force: true });
  process.env.KEVLO_TEST_DATABASE = before;
});

/** Whether an event was acknowledged; one that was not is sent again, with the same id. */
async function send(token: string, clientId: string): Promise<boolean> {
  const events = [{ clientId, blockId: block, stepId: `join-${clientId}`, kind: 'done', at: new Date().toISOString() }];
  try {
    const answer = await fetch(`${application.addresses[0]}/api/m/${token}/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ events }),
      signal: AbortSignal.timeout(AGAIN_MS),
    });
    return answer.ok;
  } catch {
    return false;
  }
} // prettier-ignore

async function killDatabase(): Promise<void> {
  const file = path.join(folder, 'postgres/postmaster.pid');
  process.kill(Number(readFileSync(file, 'utf8').split('\n')[0]), 'SIGKILL');
  await sleep(100);
}

test('database and server are killed again and again: what devices and a phone sent is there, each once', async () => {
  const acknowledged = new Set<string>();
  let isEnding = false;
  let again = 0;
  const device = async (token: string) => {
    while (!isEnding) {
      const id = randomUUID();
      while (!(await send(token, id))) {
        again += 1;
        await sleep(100);
      }
      acknowledged.add(id);
      await sleep(20);
    }
  };
  const devices = tokens.slice(0, DEVICES).map(device);
  const [link = ''] = tokens.slice(DEVICES);
  await phone.go(`/m/${link}`);
  await phone.see('This page is kept on this phone');
  let presses = 0;
  const every = Math.max(1, Math.floor(KILLS / MOST_PRESSES));
  for (let kill = 0; kill < KILLS; kill++) {
    const atStart = acknowledged.size;
    for (let waited = 0; waited < 2400 && acknowledged.size < atStart + DEVICES; waited++) await sleep(50);
    await killDatabase();
    if (kill % 2 === 1) await application.cut();
    if (kill % every === 0 && presses < MOST_PRESSES) {
      // By hand, where nobody answers; every other time the page is thrown away as well, and opened again it knows what was pressed.
      await phone.see(`Step ${presses + 1} of `);
      await phone.press('Done');
      presses += 1;
      await phone.see(`Step ${presses + 1} of `);
      if (presses % 2 === 0) await phone.driver.get('about:blank');
    }
    await startCluster(folder);
    if (kill % 2 === 1) await application.restore();
    if (presses % 2 === 0) await phone.go(`/m/${link}`);
  }
  isEnding = true;
  await Promise.all(devices);
  await phone.go(`/m/${link}`);
  await phone.see(`Step ${presses + 1} of `);
  const sql = connect(application.url, 1);
  const own = async () => sql<{ id: string }[]>`select e.client_id as id from progress_event e join maker m on m.id = e.maker_id where m.name = ${`Maker ${DEVICES}`}`;
  await phone.driver.wait(async () => (await own()).length >= presses, PATIENCE_MS, 'the phone’s ticks did not arrive');
  await phone.gone('waits on this phone');
  expect((await own()).length).toBe(presses);
  const rows = await sql<{ id: string }[]>`select e.client_id as id from progress_event e join maker m on m.id = e.maker_id where m.name <> ${`Maker ${DEVICES}`}`;
  await sql.end();
  expect(rows.map(({ id }) => id).sort()).toEqual([...acknowledged].sort());
  expect(acknowledged.size).toBeGreaterThan(KILLS * DEVICES);
  // Otherwise nothing was ever cut off, and nothing is shown.
  expect(again).toBeGreaterThan(0);
  if (KILLS > 10) process.stdout.write(`${KILLS} kills: ${acknowledged.size} ticks, ${again} sendings tried again\n`);
}, 1_500_000); // prettier-ignore
