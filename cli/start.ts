import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { hasAccounts } from '@/server/accounts';
import { loadDemo, removeDemo, type DemoSignIns } from '@/server/demo';
import { dropOldResults, migrate } from '@/server/database';
import { PlainError } from './PlainError';
import { buildApplication } from './build';
import { stopCluster } from './cluster';
import { LEAST_ROOM, ROOT, dataFolder, logsFolder } from './places';
import { answers, isFree } from './ports';
import { openDatabase, withDatabase } from './withDatabase';

const MIGRATIONS = path.join(ROOT, 'src/server/migrations');
/** Folder of the built application; tests have one of their own. */
const DIST = process.env.KEVLO_DIST ?? '.next';
const DEMO_BLOCKS = path.join(ROOT, 'demo/blocks');

/** `./kevlo start`: database, migrations, demo, build, server. Runs until Ctrl-C. */
export async function runStart(): Promise<number> {
  const host = process.env.HOST ?? '127.0.0.1';
  const port = readPort(process.env.PORT ?? '3000');
  const folder = dataFolder(LEAST_ROOM);
  // Clears away what a killed run left behind; it may hold the port for a moment yet.
  const { orphans } = othersRunning(folder, true);
  await endOrphans(orphans);
  for (let waited = 0; orphans.length > 0 && waited < 50 && !(await isFree(port, host)); waited++) {
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  if (!(await isFree(port, host))) {
    throw new PlainError(
      `Port ${port} of ${host} is taken. Stop what uses it, or choose another: PORT=${port + 1} ./kevlo start`,
    );
  }
  const { url, cluster } = await openDatabase(folder);
  const mark = markRunning(folder);
  let server: ChildProcess | undefined;
  const ended = new Promise<number>((resolve) => {
    const end = () => (server ? server.kill('SIGTERM') : resolve(0));
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, end);
  });
  try {
    const signIns = await withDatabase(url, async (sql) => {
      await migrate(sql, MIGRATIONS);
      await dropOldResults(sql);
      return ensureDemo(sql, folder);
    });
    await buildApplication(DIST);
    server = serve(url, host, port, folder);
    writeFileSync(mark, String(server.pid ?? ''));
    const stopped = new Promise<number>((resolve) => server?.once('exit', (code) => resolve(code ?? 0)));
    await Promise.race([waitFor(port, host), stopped]);
    greet(host, port, signIns);
    const code = await Promise.race([stopped, ended]);
    process.stderr.write('\nKevlo has stopped; everything is kept.\n');
    return code === 143 || code === 130 ? 0 : code;
  } finally {
    if (cluster && othersRunning(folder).pids.length === 0) await stopCluster(folder);
    // Last, so that whoever waits for this run to end finds the database stopped too.
    rmSync(mark, { force: true });
  }
}

function readPort(text: string): number {
  const port = Number(text);
  if (Number.isInteger(port) && port > 0 && port < 65536) return port;
  throw new PlainError(`PORT=${text} is no port. Give a number from 1 to 65535.`);
}

function serve(url: string, host: string, port: number, folder: string): ChildProcess {
  const next = path.join(ROOT, 'node_modules/next/dist/bin/next');
  const peer = path.join(ROOT, 'dist/cli/peer.js');
  return spawn(
    process.execPath,
    ['--import', pathToFileURL(peer).href, next, 'start', '-H', host, '-p', String(port)],
    {
      cwd: ROOT,
      env: {
        ...process.env,
        DATABASE_URL: url,
        KEVLO_DIST: DIST,
        KEVLO_LOGS: logsFolder(folder),
        NODE_ENV: 'production',
      },
      stdio: ['ignore', 'ignore', 'inherit'],
      // A group of its own: Ctrl-C reaches this process only, which then ends the server in order.
      detached: true,
    },
  );
}

async function waitFor(port: number, host: string): Promise<void> {
  for (let waited = 0; waited < 300; waited++) {
    if (await answers(port, host === '0.0.0.0' ? '127.0.0.1' : host)) return;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new PlainError(`The application did not answer on port ${port} within a minute.`);
}

function signInsFile(folder: string): string {
  return path.join(folder, 'demo-sign-ins.json');
}

async function ensureDemo(
  sql: Parameters<typeof loadDemo>[0],
  folder: string,
): Promise<DemoSignIns | undefined> {
  const file = signInsFile(folder);
  if (await hasAccounts(sql)) {
    const [demo] = await sql`select 1 from project where is_demo limit 1`;
    return demo && existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as DemoSignIns) : undefined;
  }
  if (process.env.KEVLO_DEMO === '0') return undefined;
  process.stderr.write('Loading the demo …\n');
  return freshDemo(sql, folder);
}

async function freshDemo(sql: Parameters<typeof loadDemo>[0], folder: string): Promise<DemoSignIns> {
  const signIns = await loadDemo(sql, DEMO_BLOCKS, new Date());
  writeFileSync(signInsFile(folder), JSON.stringify(signIns, null, 1), { mode: 0o600 });
  return signIns;
}

function greet(host: string, port: number, signIns: DemoSignIns | undefined): void {
  const address = process.env.PUBLIC_URL ?? `http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}`;
  const lines = [`\nKevlo is at ${address}`];
  if (signIns) {
    lines.push(`  demo host:  ${signIns.email}   password: ${signIns.password}`);
    const [maker] = signIns.makers.slice(4);
    if (maker) lines.push(`  demo maker: ${maker.name}   ${address}/m/${maker.token}`);
  } else lines.push('  Open it in a browser and sign in (or make the first host).');
  lines.push('Ctrl-C stops it.\n');
  process.stdout.write(lines.join('\n'));
}

function runFolder(folder: string): string {
  const runs = path.join(folder, 'running');
  mkdirSync(runs, { recursive: true });
  return runs;
}

function markRunning(folder: string): string {
  const mark = path.join(runFolder(folder), String(process.pid));
  writeFileSync(mark, '');
  return mark;
}

/**
 * Process ids of other starts that are still alive. Marks of dead ones are cleared, and with `reap` the servers that
 * they left running are told to end.
 */
function othersRunning(folder: string, reap = false): { pids: number[]; orphans: number[] } {
  const pids: number[] = [];
  const orphans: number[] = [];
  for (const name of readdirSync(runFolder(folder))) {
    const mark = path.join(runFolder(folder), name);
    if (Number(name) === process.pid) continue;
    if (isProcess(Number(name), 'main.js')) {
      pids.push(Number(name));
      continue;
    }
    const server = Number(readFileSync(mark, 'utf8'));
    if (server > 0 && isProcess(server, 'next')) {
      if (!reap) continue;
      process.kill(server, 'SIGTERM');
      orphans.push(server);
    }
    rmSync(mark, { force: true });
  }
  return { pids, orphans };
}

/** Waits for servers that were told to end; one that still holds on to open connections is ended for good. */
async function endOrphans(orphans: readonly number[]): Promise<void> {
  const alive = () => orphans.filter((server) => isProcess(server, 'next'));
  for (let waited = 0; alive().length > 0 && waited < 20; waited++) {
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  for (const server of alive()) process.kill(server, 'SIGKILL');
}

/** Whether a process lives and its command line holds a word. */
function isProcess(pid: number, word: string): boolean {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(word);
  } catch {
    return false;
  }
}

/** `./kevlo stop`: ends running starts and the database. */
export async function runStop(): Promise<number> {
  const folder = dataFolder();
  const { pids: others, orphans } = othersRunning(folder, true);
  await endOrphans(orphans);
  for (const pid of others) process.kill(pid, 'SIGTERM');
  for (let waited = 0; waited < 100 && othersRunning(folder).pids.length > 0; waited++) {
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const wasRunning = await stopCluster(folder);
  process.stdout.write(
    wasRunning || orphans.length > 0 || others.length > 0
      ? 'Stopped; everything is kept.\n'
      : 'Nothing was running.\n',
  );
  return 0;
}

/** `./kevlo reset-demo`: takes the demo project out and loads it afresh. */
export async function runResetDemo(args: readonly string[]): Promise<number> {
  const question =
    'This erases all changes to the demo project “Night Ferry” and loads it afresh. Go on? (yes/no) ';
  if (!args.includes('--yes') && !(await ask(question))) {
    process.stdout.write('Nothing was changed.\n');
    return 1;
  }
  const folder = dataFolder(LEAST_ROOM);
  const { url, cluster } = await openDatabase(folder);
  try {
    const { email, password } = await withDatabase(url, async (sql) => {
      await migrate(sql, MIGRATIONS);
      await removeDemo(sql);
      return freshDemo(sql, folder);
    });
    process.stdout.write(`The demo is loaded afresh. Sign in as ${email}, password ${password}\n`);
    return 0;
  } finally {
    if (cluster?.wasStarted) await stopCluster(folder);
  }
}

/** Asks on the terminal; anything but yes is no. */
export async function ask(question: string): Promise<boolean> {
  const { createInterface } = await import('node:readline/promises');
  const terminal = createInterface({ input: process.stdin, output: process.stdout });
  try {
    const answer = await Promise.race([
      terminal.question(question),
      new Promise<string>((resolve) => terminal.once('close', () => resolve('no'))),
    ]);
    return /^y(es)?$/i.test(answer.trim());
  } finally {
    terminal.close();
  }
}
