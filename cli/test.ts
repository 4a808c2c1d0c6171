import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { buildApplication } from './build';
import { databaseUrl, startCluster, stopCluster } from './cluster';
import { ROOT } from './places';

interface Counts {
  passed: number;
  failed: number;
}

/** What runs at the moment, and whether someone asked to stop. */
const running = new Set<ChildProcess>();
let isStopped = false;

function stopOnSignal(): void {
  isStopped = true;
  for (const { pid } of running)
    try {
      if (pid !== undefined) process.kill(-pid, 'SIGTERM');
    } catch {
      // It has just ended by itself.
    }
}

const BIN = path.join(ROOT, 'node_modules/.bin');

const PARTS: readonly string[] = ['core', 'screens', 'database', 'browser'];

type Check = readonly [name: string, program: string, args: readonly string[]];

/** Checks that pass or fail as a whole: two rows of them beside each other, each in its order. */
const CHECKS: readonly (readonly Check[])[] = [
  [
    ['format', 'prettier', ['--check', '.', '--log-level', 'warn']],
    ['lint', 'eslint', ['.', '--max-warnings', '0']],
  ],
  [
    ['route types', 'next', ['typegen']],
    ['types', 'tsc', ['--noEmit']],
    ['types of the core alone', 'tsc', ['-p', 'src/core/tsconfig.json']],
    ['layers', 'depcruise', ['src', 'cli', 'e2e', 'demo']],
  ],
];

/**
 * `./kevlo test [core|screens|database|browser] [FILE …]`: checks, unit and property tests, tests of screens in a stand-in
 * for a browser, database tests and browser tests; of one kind only, and only files whose path holds one of the words.
 * Works in a cluster, data folder, build and ports of its own, so that the application may run meanwhile.
 */
export async function runTest(args: readonly string[]): Promise<number> {
  const files = args.filter((word) => !PARTS.includes(word));
  const wanted = (part: string) => !isStopped && (args.length === 0 || args.includes(part));
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, stopOnSignal);
  const counts: Counts = { passed: 0, failed: 0 };
  const folder = mkdtempSync(path.join(tmpdir(), 'kevlo-test-'));
  // The database's user must be able to enter; the cluster inside is its own and closed to others.
  chmodSync(folder, 0o711);
  try {
    if (args.length === 0) await Promise.all(CHECKS.map((row) => runChecks(row, counts)));
    for (const name of ['core', 'screens']) if (wanted(name)) await runSuite(name, files, {}, folder, counts);
    if (wanted('database') || wanted('browser')) {
      const url = databaseUrl(await startCluster(folder), 'postgres');
      const env = { KEVLO_TEST_DATABASE: url, KEVLO_DIST: '.next-test' };
      if (wanted('database')) await runSuite('database', files, env, folder, counts);
      if (wanted('browser')) {
        await buildApplication('.next-test');
        if (isStopped) throw new Error('Stopped before the browser tests.');
        await runSuite('browser', files, env, folder, counts);
      }
    }
  } catch (error) {
    counts.failed += 1;
    process.stderr.write(`${(error as Error).message}\n`);
  } finally {
    await stopCluster(folder).catch(() => undefined);
    rmSync(folder, { recursive: true, force: true });
  }
  process.stdout.write(`${counts.passed} passed, ${counts.failed} failed\n`);
  return counts.failed === 0 && counts.passed > 0 && !isStopped ? 0 : 1;
}

async function runChecks(row: readonly Check[], counts: Counts): Promise<void> {
  for (const check of row) if (!isStopped) await runCheck(check, counts);
}

async function runCheck([name, program, args]: Check, counts: Counts): Promise<void> {
  const { code, text } = await run(path.join(BIN, program), args, {});
  counts[code === 0 ? 'passed' : 'failed'] += 1;
  process.stdout.write(`${code === 0 ? 'ok' : 'FAILED'}: ${name}\n`);
  if (code !== 0) process.stdout.write(`${text.trim()}\n`);
}

async function runSuite(
  name: string,
  files: readonly string[],
  env: Readonly<Record<string, string>>,
  folder: string,
  counts: Counts,
): Promise<void> {
  const report = path.join(folder, `${name}.json`);
  const reporters = ['--reporter=json', `--outputFile=${report}`];
  const { code, text } = await run(
    path.join(BIN, 'vitest'),
    // A suite may have a part that runs in workers of its own: `core` and `core-apart`.
    ['run', '--project', `${name}*`, ...files, ...reporters],
    env,
  );
  const { passed, failed, faults } = readReport(report, text);
  counts.passed += passed;
  // A suite that ends badly without a failed test of its own (a file that does not load) has failed too.
  counts.failed += failed === 0 && code !== 0 ? 1 : failed;
  process.stdout.write(
    `${code === 0 ? 'ok' : 'FAILED'}: ${name} tests, ${passed} passed, ${failed} failed\n`,
  );
  for (const fault of faults) process.stdout.write(`${fault}\n`);
}

interface Report {
  readonly numPassedTests: number;
  readonly numFailedTests: number;
  readonly testResults: readonly {
    readonly message?: string;
    readonly assertionResults: readonly {
      readonly status: string;
      readonly fullName: string;
      readonly failureMessages?: readonly string[];
    }[];
  }[];
}

function readReport(file: string, text: string): Counts & { faults: string[] } {
  try {
    const { numPassedTests, numFailedTests, testResults } = JSON.parse(readFileSync(file, 'utf8')) as Report;
    const faults = testResults.flatMap(({ message, assertionResults }) => [
      ...(message ? [message] : []),
      ...assertionResults
        .filter(({ status }) => status === 'failed')
        .map(
          ({ fullName, failureMessages }) => `✗ ${fullName}\n${failureMessages?.join('\n').slice(0, 3000)}`,
        ),
    ]);
    return { passed: numPassedTests, failed: numFailedTests, faults };
  } catch {
    return { passed: 0, failed: 1, faults: [text.trim().slice(-3000)] };
  }
}

function run(
  program: string,
  args: readonly string[],
  env: Readonly<Record<string, string>>,
): Promise<{ code: number; text: string }> {
  const own: NodeJS.ProcessEnv = { ...process.env, ...env };
  // Settings of the person's own installation must not reach the tests.
  delete own.DATABASE_URL;
  delete own.PUBLIC_URL;
  return new Promise((resolve) => {
    // A group of its own, so that whatever a suite started can be ended with it.
    const child = spawn(program, args, {
      cwd: ROOT,
      env: own,
      stdio: ['ignore', 'pipe', 'pipe'],
      detached: true,
    });
    running.add(child);
    let text = '';
    child.stdout.on('data', (chunk: Buffer) => (text += chunk.toString()));
    child.stderr.on('data', (chunk: Buffer) => (text += chunk.toString()));
    const end = (code: number, said: string) => {
      running.delete(child);
      resolve({ code, text: said });
    };
    child.once('error', (error) => end(1, error.message));
    child.once('close', (code) => end(code ?? 1, text));
  });
}
