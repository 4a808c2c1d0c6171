import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { ROOT } from '../places';

/** Where slips are tried: a folder for what is noted, the list of slips and a database server. */
export interface Bench {
  readonly folder: string;
  readonly list: string;
  readonly database: string;
}

/** Which switches are passed, which changed constants are read, and how long that takes. */
export interface Passed {
  readonly tookMs: number;
  readonly passed: ReadonlySet<number>;
  readonly read: ReadonlySet<string>;
}

export interface MapOfTests {
  readonly tests: readonly (Passed & { readonly test: string })[];
  /** Whole files, with what they do before their first test; those with tests that fail as things are say nothing. */
  readonly files: readonly (Passed & { readonly file: string })[];
}

const PROJECTS: readonly string[] = ['core', 'screens', 'database', 'database-apart'];

/** Tests that take longer by themselves are not run again and again. */
const LONGEST_MS = 15_000;

/** A slip that is tried by itself is tried with tests that take so long together. */
const ALONE_MS = 120_000;

/** Where nothing is told for so long, what was begun last goes on for ever. */
const STALLED_MS = 120_000;

/** Runs all tests once. */
export async function mapOfTests(bench: Bench): Promise<MapOfTests> {
  const told = (await run(bench, ['run'], {})).map((line) => ({
    test: line.test as string | undefined,
    file: String(line.file),
    hasFailed: line.hasFailed === true,
    tookMs: Number(line.tookMs ?? 0),
    passed: new Set(line.passed as number[]),
    read: new Set(line.read as string[]),
  }));
  const failing = new Set(told.flatMap(({ file, hasFailed }) => (hasFailed ? [file] : [])));
  const files = new Map<string, { file: string; tookMs: number; passed: Set<number>; read: Set<string> }>();
  for (const { file, tookMs, passed, read } of told) {
    if (failing.has(file)) continue;
    const own = files.get(file) ?? { file, tookMs: 0, passed: new Set(), read: new Set() };
    own.tookMs += tookMs;
    for (const id of passed) own.passed.add(id);
    for (const name of read) own.read.add(name);
    files.set(file, own);
  }
  const tests = told.flatMap(({ test, tookMs, passed, read }) =>
    test !== undefined && tookMs < LONGEST_MS ? [{ test, tookMs, passed, read }] : [],
  );
  return { tests, files: [...files.values()] };
}

/** Runs tests with slips. @returns which test noticed which slip; what goes on for ever is noticed too */
export async function tryPlan(
  bench: Bench,
  plan: ReadonlyMap<string, readonly number[]>,
): Promise<ReadonlyMap<number, string>> {
  const noticed = new Map<number, string>();
  let left = new Map(plan);
  while (left.size > 0) {
    const file = path.join(bench.folder, 'plan.json');
    writeFileSync(file, JSON.stringify(Object.fromEntries(left)));
    const files = [...new Set([...left.keys()].map((test) => test.split('|')[0] as string))];
    const told = await run(bench, ['run', ...files], { KEVLO_SLIPS_PLAN: file });
    const done = new Set<string>();
    const begun = new Map<number, string>();
    for (const { begun: id, noticed: by, passed, test } of told) {
      if (typeof id === 'number') begun.set(id, String(test));
      if (typeof passed === 'number') done.add(`${passed} ${String(test)}`);
      if (typeof passed === 'number') begun.delete(passed);
      if (typeof by === 'number') noticed.set(by, String(test));
    }
    const endless = told.stalled ? [...begun].filter(([id]) => !noticed.has(id)) : [];
    for (const [id, test] of endless) noticed.set(id, `${test} (endless)`);
    if (endless.length === 0) break;
    left = new Map(
      [...left].flatMap(([test, ids]) => {
        const open = ids.filter((id) => !noticed.has(id) && !done.has(`${id} ${test}`));
        return open.length > 0 ? [[test, open] as const] : [];
      }),
    );
  }
  return noticed;
}

/** Whether files of tests, as many as fit into a while, notice a slip that is on from the first line on. */
export async function isNoticedAlone(bench: Bench, id: number, files: MapOfTests['files']): Promise<boolean> {
  let sum = 0;
  const chosen = files
    .toSorted((a, b) => a.tookMs - b.tookMs)
    .filter(({ tookMs }) => (sum += tookMs) <= ALONE_MS);
  if (chosen.length === 0) return false;
  const which = ['run', ...chosen.map(({ file }) => file), '--bail', '1'];
  return (await run(bench, which, { KEVLO_SLIPS_ON: String(id) })).code !== 0;
}

type Told = Record<string, unknown>[] & { stalled?: boolean; code?: number };

function run(bench: Bench, which: readonly string[], env: Readonly<Record<string, string>>): Promise<Told> {
  const told = path.join(bench.folder, 'told.jsonl');
  rmSync(told, { force: true });
  const child = spawn(
    process.execPath,
    [
      'node_modules/vitest/vitest.mjs',
      ...which,
      '--config',
      'cli/mutate/vitest.config.ts',
      ...PROJECTS.flatMap((name) => ['--project', name]),
      '--reporter',
      'dot',
    ],
    {
      cwd: ROOT,
      stdio: process.env.KEVLO_SLIPS_SHOWN ? 'inherit' : 'ignore',
      detached: true,
      env: {
        ...process.env,
        ...env,
        VITE_CONFIG_NATIVE_IGNORE_WARNING: 'true',
        KEVLO_SLIPS_LIST: bench.list,
        KEVLO_SLIPS_TOLD: told,
        KEVLO_TEST_DATABASE: bench.database,
      },
    },
  );
  return new Promise((resolve) => {
    let stalled = false;
    let last = Date.now();
    let size = 0;
    const watch = setInterval(() => {
      const now = existsSync(told) ? statSync(told).size : 0;
      if (now !== size) [size, last] = [now, Date.now()];
      // Without a plan little is told.
      if (Date.now() - last < (env.KEVLO_SLIPS_PLAN ? STALLED_MS : 3 * STALLED_MS)) return;
      stalled = true;
      if (child.pid !== undefined) process.kill(-child.pid, 'SIGKILL');
    }, 1_000);
    child.once('close', (code) => {
      clearInterval(watch);
      const lines = existsSync(told) ? readFileSync(told, 'utf8').split('\n').filter(Boolean) : [];
      const all: Told = lines.map((line) => JSON.parse(line) as Record<string, unknown>);
      resolve(Object.assign(all, { stalled, code: stalled ? 1 : (code ?? 1) }));
    });
  });
}
