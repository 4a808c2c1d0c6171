import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { freePort } from '../cli/ports';

const KEVLO = path.join(process.cwd(), 'kevlo');
let folder = '';

beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'kevlo-commands-'));
  chmodSync(folder, 0o711);
});

afterAll(() => {
  kevlo(['stop']);
  rmSync(folder, { recursive: true, force: true });
});

function environment(more: Record<string, string> = {}): NodeJS.ProcessEnv {
  return { ...process.env, NODE_ENV: 'production', KEVLO_DATA: path.join(folder, 'data'), ...more };
}

function kevlo(args: readonly string[], more: Record<string, string> = {}) {
  const { status, stdout, stderr } = spawnSync(KEVLO, args, { env: environment(more), encoding: 'utf8' });
  return { status, stdout, stderr };
}

async function start(port: number): Promise<{ child: ChildProcess; text: () => string }> {
  const child = spawn(KEVLO, ['start'], {
    env: environment({ PORT: String(port) }),
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let text = '';
  child.stdout?.on('data', (chunk: Buffer) => (text += chunk.toString()));
  child.stderr?.on('data', (chunk: Buffer) => (text += chunk.toString()));
  for (let waited = 0; waited < 1200 && !text.includes('Ctrl-C stops it'); waited++) {
    if (child.exitCode !== null) throw new Error(`start ended: ${text}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return { child, text: () => text };
}

function end(child: ChildProcess): Promise<number | null> {
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  child.kill('SIGINT');
  return ended;
}

test('start makes everything, Ctrl-C ends it cleanly, and a second start is quick and keeps the data', async () => {
  const port = await freePort();
  const opened = Date.now();
  const first = await start(port);
  const firstMs = Date.now() - opened;
  const signIn = /host@\S+ +password: (\S+)/.exec(first.text());
  const link = /http\S+\/m\/[\w-]+/.exec(first.text())?.[0] ?? '';
  expect(signIn?.[1]).toBeTruthy();
  expect((await fetch(link)).status).toBe(200);
  const running = path.join(folder, 'data/postgres/postmaster.pid');
  expect(existsSync(running)).toBe(true);
  expect(await end(first.child)).toBe(0);
  expect(existsSync(running)).toBe(false);
  await expect(fetch(`http://127.0.0.1:${port}`)).rejects.toThrow();

  const begun = Date.now();
  const second = await start(port);
  expect(Date.now() - begun).toBeLessThan(firstMs);
  expect(second.text()).not.toContain('Loading the demo');
  expect(second.text()).toContain(`password: ${signIn?.[1]}`);
  expect((await fetch(link)).status).toBe(200);

  // A killed run leaves database and server running: the next start takes the one over and ends the other.
  second.child.kill('SIGKILL');
  await new Promise((resolve) => setTimeout(resolve, 500));
  expect((await fetch(link)).status).toBe(200);
  const other = await freePort();
  const third = await start(other);
  await expect(fetch(link)).rejects.toThrow();
  expect((await fetch(link.replace(`:${port}`, `:${other}`))).status).toBe(200);
  const backup = path.join(folder, 'all.backup');
  expect(kevlo(['backup', backup])).toMatchObject({ status: 0 });
  expect(kevlo(['reset-demo', '--yes'])).toMatchObject({ status: 0 });
  expect((await fetch(link.replace(`:${port}`, `:${other}`))).status).toBe(404);
  expect(kevlo(['restore', backup, '--yes'])).toMatchObject({ status: 0 });
  expect((await fetch(link.replace(`:${port}`, `:${other}`))).status).toBe(200);
  // Stopped from elsewhere: the run and the database end together, and nothing is left to stop.
  const gone = new Promise((resolve) => third.child.once('exit', resolve));
  expect(kevlo(['stop'])).toMatchObject({
    status: 0,
    stderr: '',
    stdout: expect.stringContaining('Stopped'),
  });
  expect(await gone).toBe(0);
  expect(existsSync(running)).toBe(false);
  expect(kevlo(['stop'])).toMatchObject({
    status: 0,
    stdout: expect.stringContaining('Nothing was running'),
  });
});

test('a taken port is one clear line', async () => {
  const server = createServer().listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as { port: number };
  const child = spawn(KEVLO, ['start'], { env: environment({ PORT: String(port) }) });
  let text = '';
  child.stderr.on('data', (chunk: Buffer) => (text += chunk.toString()));
  expect(await new Promise((resolve) => child.once('exit', resolve))).toBe(1);
  expect(text.trim().split('\n')).toEqual([
    expect.stringMatching(/^Port \d+ of 127.0.0.1 is taken\. .*PORT=\d+/),
  ]);
  server.close();
});

test('reset-demo asks, and anything but yes changes nothing', () => {
  expect(kevlo(['reset-demo'])).toMatchObject({
    status: 1,
    stdout: expect.stringContaining('Nothing was changed'),
  });
});

test('plan prints one document and nothing else', () => {
  const { status, stdout, stderr } = kevlo([
    'plan',
    'demo/blocks/star-chart.svg',
    '--allowance',
    '3/8in',
    '--json',
  ]);
  expect([status, stderr]).toEqual([0, '']);
  const document = JSON.parse(stdout) as {
    format: string;
    basting: { allowanceMm: number };
    assembly: { joins: unknown[] };
  };
  expect([document.format, document.basting.allowanceMm, document.assembly.joins.length]).toEqual([
    'kevlo.plan/1',
    9.525,
    17,
  ]);
});

test('plan takes a school and a policy, and compares all schools', () => {
  const of = (...more: string[]) => JSON.parse(kevlo(['plan', 'demo/blocks/star-chart.svg', ...more]).stdout);
  const [best, rings] = [of(), of('--school', 'rings', '--policy=just-in-time')];
  expect([best.assembly.school, rings.assembly.school]).toEqual(['best', 'rings']);
  expect(rings.assembly.totals.bends).toBeGreaterThanOrEqual(best.assembly.totals.bends);
  const peaks = (document: typeof best) =>
    document.papers.map(({ peakInUse }: { peakInUse: number }) => peakInUse);
  expect(Math.max(...peaks(rings))).toBeLessThan(Math.max(...peaks(best)));
  expect(best.assembly.schools.map(({ school }: { school: string }) => school)).toEqual([
    'best',
    'quickest',
    'rows',
    'rings',
    'wedges',
    'pairs',
    'star-first',
    'figures',
  ]);
});

test.each([
  ['a file that is not there', ['plan', 'nowhere.svg']],
  ['no file', ['plan']],
  ['an allowance that is no length', ['plan', 'demo/blocks/gangway.svg', '--allowance', 'wide']],
  ['a school that nobody teaches', ['plan', 'demo/blocks/gangway.svg', '--school', 'spiral']],
  ['a policy without a name', ['plan', 'demo/blocks/gangway.svg', '--policy']],
  ['an unknown option', ['plan', 'demo/blocks/gangway.svg', '--colour']],
  ['a drawing with a tangle', ['plan', 'CURVE']],
  ['a weld that is too wide', ['plan', 'demo/blocks/gangway.svg', '--weld', '3mm']],
  ['a weld that is no length', ['plan', 'demo/blocks/gangway.svg', '--weld=much']],
])('plan refuses %s with one line and 2', (_, args) => {
  const curve = path.join(folder, 'curve.svg');
  writeFileSync(
    curve,
    '<svg xmlns="http://www.w3.org/2000/svg" width="9cm" height="9cm" viewBox="0 0 90 90">\n<path id="q" d="M0 0L30 30L30 0L0 30Z"/></svg>',
  );
  const { status, stdout, stderr } = kevlo(args.map((arg) => (arg === 'CURVE' ? curve : arg)));
  expect([status, stdout, stderr.trim().split('\n').length]).toEqual([2, '', 1]);
});
