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

/** Which switches and changed constants each test passes, and how long it takes. */
export interface MapOfTests {
  readonly tests: readonly {
    readonly test: string;
    readonly tookMs: number;
    readonly passed: ReadonlySet<number>;
    readonly read: ReadonlySet<string>;
  }[];
}

const PROJECTS: readonly string[] = ['core', 'screens', 'database', 'database-apart'];

/** Tests that take longer by themselves are not run again and again. */
const LONGEST_MS = 15_000;

/** Where nothing is told for so long, what was begun last goes on for ever. */
const STALLED_MS = 120_000;

/** Runs all tests once. */
export async function mapOfTests(bench: Bench): Promise<MapOfTests> {
  const told = await run(bench, ['run'], {});
  const tests = told.flatMap(({ test, tookMs, passed, read }) =>
    typeof test === 'string' && Number(tookMs) < LONGEST_MS
      ? [
          {
            test,
            tookMs: Number(tookMs),
            passed: new Set(passed as number[]),
            read: new Set(read as string[]),
          },
        ]
      : [],
  );
  return { tests };
}

/** What came of tests with slips. */
export interface Tried {
  /** Which test noticed which slip; what goes on for ever is noticed too. */
  readonly noticed: ReadonlyMap<number, string>;
  /** Tests that do not pass twice, so that nothing can be said by them. */
  readonly spoilt: ReadonlySet<string>;
}

/** Runs tests with slips. */
export async function tryPlan(bench: Bench, plan: ReadonlyMap<string, readonly number[]>): Promise<Tried> {
  const noticed = new Map<number, string>();
  const spoilt = new Set<string>();
  let left = new Map(plan);
  while (left.size > 0) {
    const file = path.join(bench.folder, 'plan.json');
    writeFileSync(file, JSON.stringify(Object.fromEntries(left)));
    const files = [...new Set([...left.keys()].map((test) => test.split('|')[0] as string))];
    const told = await run(bench, ['run', ...files], { KEVLO_SLIPS_PLAN: file });
    const done = new Set<string>();
    const begun = new Map<number, string>();
    for (const { begun: id, noticed: by, passed, spoilt: twice, test } of told) {
      if (typeof twice === 'string') spoilt.add(twice);
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
  return { noticed, spoilt };
}

/**
 * Whether the tests that reach a file notice a slip that is on from the first line on. Where they do not pass as things are, nothing
 * is noticed by them.
 * @param sound files whose tests are known to pass or not
 */
export async function isNoticedAlone(
  bench: Bench,
  { id, file }: { readonly id: number; readonly file: string },
  sound: Map<string, boolean>,
): Promise<boolean> {
  const which = ['related', '--run', file, '--bail', '1'];
  const isSound = sound.get(file) ?? (await run(bench, which, {})).code === 0;
  sound.set(file, isSound);
  return isSound && (await run(bench, which, { KEVLO_SLIPS_ON: String(id) })).code !== 0;
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
