import { chmodSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { seededRandom } from '@/core/testing';
import { databaseUrl, startCluster, stopCluster } from '../cluster';
import { PlainError } from '../PlainError';
import { ROOT } from '../places';
import { isNoticedAlone, mapOfTests, tryPlan, type Bench, type MapOfTests, type Passed } from './bench';
import { slipsOf, type Slip } from './slips';
import type { Drawn } from './switches';
import { noticedByTypes } from './types';

/** How many tests, of how many milliseconds together, a slip is tried with: more if they do not notice it. */
const ROUNDS: readonly { readonly tests: number; readonly ms: number }[] = [
  { tests: 8, ms: 2_000 },
  { tests: 40, ms: 8_000 },
  { tests: 400, ms: 25_000 },
];

interface Chosen extends Drawn {
  readonly slip: Slip;
}

/**
 * `npx tsx cli/mutate/mutate.ts [--count N] [--seed N] [--quick] [FOLDER …]`: draws small slips in the sources at random, builds
 * all of them in, each behind a switch, and runs the tests that pass a switch with it turned, first those that notice most for the
 * time that they take. What the compiler refuses counts as noticed; what is left is tried by itself, each slip with whole files of
 * tests, so that what they make once for all their tests is made anew. Prints each with what noticed it, what went unnoticed in
 * full, and how many were noticed by folder. Quick, it ends after two rounds in place. Tests in a browser are not run. For whoever
 * writes tests; no part of the application.
 */
export async function runMutate(args: readonly string[]): Promise<number> {
  const option = (name: string, usual: number) => {
    const at = args.indexOf(name);
    return at < 0 ? usual : Number(args[at + 1]);
  };
  const seed = option('--seed', Date.now() % 1_000_000_007);
  const folders = args.filter(
    (arg, i) => !arg.startsWith('--') && !/^--(count|seed)$/.test(args[i - 1] ?? ''),
  );
  const chosen = draw(
    folders.length > 0 ? folders : ['src/core', 'src/server', 'src/features', 'src/ui'],
    option('--count', 100),
    seed,
  );
  process.stdout.write(`Seed ${seed}, ${chosen.length} slips.\n`);
  const folder = mkdtempSync(path.join(tmpdir(), 'kevlo-mutate-'));
  // The database's user must be able to enter.
  chmodSync(folder, 0o711);
  try {
    const list = path.join(folder, 'drawn.json');
    writeFileSync(list, JSON.stringify(chosen.map(({ id, file, nth }) => ({ id, file, nth }))));
    const database = databaseUrl(await startCluster(folder), 'postgres');
    const bench: Bench = { folder, list, database };
    const noticed = await noticedOf(bench, chosen, args.includes('--quick'));
    report(chosen, noticed);
  } finally {
    await stopCluster(folder).catch(() => undefined);
    rmSync(folder, { recursive: true, force: true });
  }
  return 0;
}

/** Slips of all sources, each as likely as any other. */
function draw(folders: readonly string[], count: number, seed: number): readonly Chosen[] {
  const all = folders.flatMap(sources).flatMap((file) => {
    const slips = slipsOf(file, readFileSync(path.join(ROOT, file), 'utf8'));
    return slips.map((slip, nth) => ({ file, nth, slip }));
  });
  const random = seededRandom(seed);
  const drawn = new Set<number>();
  while (drawn.size < Math.min(count, all.length)) drawn.add(Math.floor(random() * all.length));
  return [...drawn].map((at, id) => ({ id, ...(all[at] as Omit<Chosen, 'id'>) }));
}

function sources(folder: string): string[] {
  const own = readdirSync(path.join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$|index\.ts$|testing\//.test(file))
    .sort()
    .map((file) => path.join(folder, file));
  if (own.length === 0) throw new PlainError(`${folder} holds no sources.`);
  return own;
}

/** What noticed each slip: the name of a test, or of what else did. */
async function noticedOf(
  bench: Bench,
  chosen: readonly Chosen[],
  isQuick: boolean,
): Promise<ReadonlyMap<number, string>> {
  const noticed = new Map<number, string>();
  const open = () => chosen.filter(({ id }) => !noticed.has(id));
  const tests = await mapOfTests(bench);
  process.stdout.write(`${tests.tests.length} tests pass ${reached(tests, chosen)} of them.\n`);
  const tried = new Map<number, Set<string>>();
  const yields = new Yields();
  for (const { tests: most, ms } of isQuick ? ROUNDS.slice(0, 2) : ROUNDS) {
    const plan = new Map<string, number[]>();
    for (const slip of open()) {
      let sum = 0;
      const known = tried.get(slip.id) ?? new Set();
      tried.set(slip.id, known);
      const own = passing(tests.tests, slip.id, slip.slip).filter(({ test }) => !known.has(test));
      for (const { test, tookMs } of yields.best(own).slice(0, most - known.size)) {
        if (sum + tookMs > ms) continue;
        sum += tookMs;
        plan.set(test, [...(plan.get(test) ?? []), slip.id]);
        known.add(test);
      }
    }
    const found = await tryPlan(bench, plan);
    yields.learn(plan, found);
    for (const [id, by] of found) noticed.set(id, by);
    process.stdout.write(`${noticed.size} noticed after at most ${most} tests each.\n`);
  }
  if (isQuick) return noticed;
  for (const id of noticedByTypes(bench.folder, open())) noticed.set(id, 'the compiler');
  for (const { id, slip } of open())
    if (await isNoticedAlone(bench, id, passing(tests.files, id, slip))) noticed.set(id, 'by itself');
  return noticed;
}

/** How much each test has noticed of what it was tried with. */
class Yields {
  readonly #tried = new Map<string, number>();
  readonly #noticed = new Map<string, number>();

  learn(plan: ReadonlyMap<string, readonly number[]>, noticed: ReadonlyMap<number, string>): void {
    for (const [test, ids] of plan) this.#tried.set(test, (this.#tried.get(test) ?? 0) + ids.length);
    for (const test of noticed.values()) this.#noticed.set(test, (this.#noticed.get(test) ?? 0) + 1);
  }

  /** Those first that notice most for the time that they take; of which nothing is known, the quickest. */
  best(tests: MapOfTests['tests']): MapOfTests['tests'] {
    const rate = ({ test, tookMs }: MapOfTests['tests'][number]) =>
      ((this.#noticed.get(test) ?? 0) + 0.2) / ((this.#tried.get(test) ?? 0) + 2) / (tookMs + 20);
    return tests.toSorted((a, b) => rate(b) - rate(a));
  }
}

/** What passes the switch of a slip, or reads the constant that it changes. */
function passing<T extends Passed>(all: readonly T[], id: number, { constant }: Slip): T[] {
  return all.filter(({ passed, read }) => passed.has(id) || (constant !== undefined && read.has(constant)));
}

function reached(tests: MapOfTests, chosen: readonly Chosen[]): number {
  return chosen.filter(({ id, slip }) => passing(tests.tests, id, slip).length > 0).length;
}

function report(chosen: readonly Chosen[], noticed: ReadonlyMap<number, string>): void {
  const scores = new Map<string, [noticed: number, made: number]>();
  for (const { id, file, slip } of chosen) {
    const folder = path.dirname(file).split('/').slice(0, 3).join('/');
    const [seen, made] = scores.get(folder) ?? [0, 0];
    const by = noticed.get(id);
    scores.set(folder, [seen + (by ? 1 : 0), made + 1]);
    if (by) process.stdout.write(`noticed ${file}:${slip.line} by ${by}\n`);
  }
  for (const { id, file, slip } of chosen.toSorted((a, b) => (a.file < b.file ? -1 : 1)))
    if (!noticed.has(id)) process.stdout.write(`unnoticed ${file}:${slip.line}\n${shown(file, slip)}\n`);
  for (const [folder, [seen, made]] of [...scores].sort())
    process.stdout.write(`${folder}: ${seen} of ${made} noticed\n`);
  process.stdout.write(`${noticed.size} of ${chosen.length} noticed\n`);
}

/** The line of a slip as it is and as it was made. */
function shown(file: string, { at, found, made }: Slip): string {
  const text = readFileSync(path.join(ROOT, file), 'utf8');
  const [from, to] = [text.lastIndexOf('\n', at) + 1, text.indexOf('\n', at)];
  const line = text.slice(from, to).trim();
  const changed = (text.slice(from, at) + made + text.slice(at + found.length, to)).trim();
  return `  ${line}\n  ${changed}`;
}

process.exitCode = await runMutate(process.argv.slice(2));
