import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, readdirSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { seededRandom } from '@/core/testing';
import { PlainError } from './PlainError';
import { ROOT } from './places';

/** One small change of a source file, as a mistake would make it. */
interface Change {
  readonly file: string;
  readonly line: number;
  readonly before: string;
  readonly after: string;
}

/** How many changes of a folder were made, and noticed by its own tests or only by others. */
interface Score {
  readonly own: number;
  readonly others: number;
  readonly made: number;
}

/** What is looked for in a line, and what a slip makes of it. */
const SLIPS: readonly (readonly [RegExp, (found: string) => string])[] = [
  [/ <= /g, () => ' < '],
  [/ >= /g, () => ' > '],
  [/ < (?=[\w(])/g, () => ' <= '],
  [/ > (?=[\w(])/g, () => ' >= '],
  [/ === /g, () => ' !== '],
  [/ !== /g, () => ' === '],
  [/ && /g, () => ' || '],
  [/ \|\| /g, () => ' && '],
  [/ \+ (?=[\w(])/g, () => ' - '],
  [/ - (?=[\w(])/g, () => ' + '],
  [/ \* (?=[\w(])/g, () => ' / '],
  [/Math\.max\(/g, () => 'Math.min('],
  [/Math\.min\(/g, () => 'Math.max('],
  [/\btrue\b/g, () => 'false'],
  [/\bfalse\b/g, () => 'true'],
  [/(?<![\w.'"#$-]|select )\d+(?:\.\d+)?(?![\w.'"])/g, (number) => String(Number(number) === 0 ? 1 : Number(number) * 2)],
  [/'(?:edit|own|pack)'\)/g, () => "'read')"],
]; // prettier-ignore

/**
 * `npx tsx cli/mutate.ts [--count N] [--seed N] [FOLDER …]`: makes small changes at random, one at a time, in a copy of the
 * sources, and runs the tests of the folder that was changed; where those pass, all that reach the changed file, and the compiler.
 * Prints each, what went unnoticed in full, and for each folder how many of the changes were noticed. Tests of the server need
 * `KEVLO_TEST_DATABASE`, as theirs do; those in a browser are not run. For whoever writes tests; no part of the application.
 */
export function runMutate(args: readonly string[]): number {
  const option = (name: string, usual: number) => {
    const at = args.indexOf(name);
    return at < 0 ? usual : Number(args[at + 1]);
  };
  const count = option('--count', 20);
  const seed = option('--seed', Date.now() % 1_000_000_007);
  const folders = args.filter((arg, i) => !arg.startsWith('--') && !args[i - 1]?.startsWith('--'));
  const random = seededRandom(seed);
  const copy = mkdtempSync(path.join(tmpdir(), 'kevlo-mutate-'));
  const scores = new Map<string, Score>();
  const sound = new Map<string, boolean>();
  try {
    for (const name of [
      'src',
      'cli',
      'demo',
      'dist',
      'docs',
      'public',
      'package.json',
      'tsconfig.json',
      'vitest.config.ts',
    ])
      cpSync(path.join(ROOT, name), path.join(copy, name), { recursive: true });
    symlinkSync(path.join(ROOT, 'node_modules'), path.join(copy, 'node_modules'));
    const files = (folders.length > 0 ? folders : ['src/core']).flatMap((folder) => sources(copy, folder));
    process.stdout.write(`Seed ${seed}, ${count} changes in ${files.length} files.\n`);
    for (let made = 0; made < count; made++) {
      const change = changeAt(copy, files, random);
      const folder = path.dirname(change.file).split('/').slice(0, 3).join('/');
      // Where the tests do not pass as things are, or there are none, nothing is noticed by them.
      // On a busy machine they may fail once for want of time.
      const pass = () => runTests(copy, ['run', folder], projectsOf(folder));
      const isSound = sound.get(folder) ?? (pass() || pass());
      sound.set(folder, isSound);
      const notice = isSound ? noticedBy(copy, change, folder) : undefined;
      const score = scores.get(folder) ?? { own: 0, others: 0, made: 0 };
      scores.set(folder, {
        own: score.own + (notice === 'own' ? 1 : 0),
        others: score.others + (notice === 'others' ? 1 : 0),
        made: score.made + 1,
      });
      if (notice === 'own') process.stdout.write(`noticed ${change.file}:${change.line}\n`);
      else
        process.stdout.write(
          `${notice ? 'noticed elsewhere' : 'unnoticed'} ${change.file}:${change.line}\n  ${change.before}\n  ${change.after}\n`,
        );
    }
  } finally {
    rmSync(copy, { recursive: true, force: true });
  }
  for (const [folder, { own, others, made }] of [...scores].sort())
    process.stdout.write(
      `${folder}: ${own + others} of ${made} noticed, ${own} by its own tests${sound.get(folder) ? '' : ' (no tests that pass)'}\n`,
    );
  return 0;
}

function sources(copy: string, folder: string): string[] {
  const own = readdirSync(path.join(copy, folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$|index\.ts$|testing\//.test(file))
    .map((file) => path.join(folder, file));
  if (own.length === 0) throw new PlainError(`${folder} holds no sources.`);
  return own;
}

/** A change somewhere in the files, each place as likely as any other; not in comments and imports. */
function changeAt(copy: string, files: readonly string[], random: () => number): Change {
  for (;;) {
    const file = files[Math.floor(random() * files.length)] as string;
    const lines = readFileSync(path.join(copy, file), 'utf8').split('\n');
    const line = Math.floor(random() * lines.length);
    const text = lines[line] as string;
    if (/^\s*(\*|\/\/|\/\*|import|export \{|\})/.test(text) || isLook(lines, line)) continue;
    const places = SLIPS.flatMap(([pattern, slip]) =>
      [...text.matchAll(pattern)].map((match) => ({ at: match.index, found: match[0], slip })),
    );
    const place = places[Math.floor(random() * places.length)];
    if (!place) continue;
    const after =
      text.slice(0, place.at) + place.slip(place.found) + text.slice(place.at + place.found.length);
    return { file, line: line + 1, before: text.trim(), after: after.trim() };
  }
}

/** Names of what is only looked at: how things are drawn is checked by eye, on the pictures. */
const LOOK =
  /\b(sx|style|strokeWidth|fontSize|opacity|fillOpacity|height|width|spacing|size|minRows|rx)=\{|\b(strokeWidth|size) = \d/;

/** Whether a line is about looks alone: it stands in the style of an element. */
function isLook(lines: readonly string[], line: number): boolean {
  if (LOOK.test(lines[line] ?? '')) return true;
  for (let at = line - 1; at >= Math.max(0, line - 40); at--) {
    if (/\}\}/.test(lines[at] ?? '') || /^(export )?(function|const \w+ = \()/.test(lines[at] ?? ''))
      return false;
    if (/\bsx=\{\{$/.test(lines[at] ?? '')) return true;
  }
  return false;
}

/** Whose tests notice a change: those of its folder, or others that reach the file. */
function noticedBy(
  copy: string,
  { file, line, before, after }: Change,
  folder: string,
): 'own' | 'others' | undefined {
  const full = path.join(copy, file);
  const text = readFileSync(full, 'utf8');
  const lines = text.split('\n');
  lines[line - 1] = (lines[line - 1] as string).replace(before, () => after);
  writeFileSync(full, lines.join('\n'));
  try {
    if (!runTests(copy, ['run', folder], projectsOf(folder))) return 'own';
    const isMissed = runTests(copy, ['related', '--run', file], projectsReaching(folder)) && compiles(copy);
    return isMissed ? undefined : 'others';
  } finally {
    writeFileSync(full, text);
  }
}

/** Tests of the server, those that want modules of their own with them. */
const DATABASE = 'database*';

/** The kinds of tests that can run here and reach a folder: screens and core take nothing of the server but its types. */
function projectsReaching(folder: string): string[] {
  if (folder.startsWith('src/server')) return [DATABASE];
  return ['core', 'screens', ...(process.env.KEVLO_TEST_DATABASE ? [DATABASE] : [])];
}

function projectsOf(folder: string): string[] {
  if (folder.startsWith('src/server')) return [DATABASE];
  return /^src\/(ui|features)/.test(folder) ? ['core', 'screens'] : ['core'];
}

function compiles(copy: string): boolean {
  return spawnSync(process.execPath, ['node_modules/typescript/bin/tsc', '--noEmit'], { cwd: copy, stdio: 'ignore' }).status === 0;
} // prettier-ignore

/** Whether tests pass; what goes on for a quarter of an hour does not. */
function runTests(copy: string, which: readonly string[], kinds: readonly string[]): boolean {
  const run = spawnSync(
    process.execPath,
    [
      'node_modules/vitest/vitest.mjs',
      ...which,
      ...kinds.flatMap((kind) => ['--project', kind]),
      '--bail',
      '1',
    ],
    { cwd: copy, stdio: 'ignore', timeout: 900_000 },
  );
  return run.status === 0;
}

process.exitCode = runMutate(process.argv.slice(2));
