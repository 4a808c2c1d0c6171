import { existsSync, openSync, closeSync, unlinkSync, renameSync } from 'node:fs';
import path from 'node:path';
import { spawn } from 'node:child_process';
import { PlainError } from './PlainError';
import { binary, stopCluster } from './cluster';
import { dataFolder } from './places';
import { ask } from './start';
import { openDatabase } from './withDatabase';

function fileFrom(args: readonly string[], command: string): string {
  const name = args.find((argument) => !argument.startsWith('--'));
  if (!name) throw new PlainError(`Name the file: ./kevlo ${command} FILE`);
  return path.resolve(process.env.KEVLO_CALLED_FROM ?? '.', name);
}

/** `./kevlo backup FILE`: writes the whole database, consistent while the application runs. */
export async function runBackup(args: readonly string[]): Promise<number> {
  const file = fileFrom(args, 'backup');
  await withUrl(async (url) => {
    const half = `${file}.part`;
    await pipe('pg_dump', ['--format=custom', '--no-owner'], url, { out: half });
    renameSync(half, file);
  });
  process.stdout.write(`Everything is in ${file}.\n`);
  return 0;
}

/** `./kevlo restore FILE`: puts a backup in place of what is there, as a whole or not at all. */
export async function runRestore(args: readonly string[]): Promise<number> {
  const file = fileFrom(args, 'restore');
  if (!existsSync(file)) throw new PlainError(`${file} is not there.`);
  if (
    !args.includes('--yes') &&
    !(await ask('This replaces everything in the database by the backup. Go on? (yes/no) '))
  ) {
    process.stdout.write('Nothing was changed.\n');
    return 1;
  }
  await withUrl((url) =>
    pipe(
      'pg_restore',
      ['--clean', '--if-exists', '--no-owner', '--single-transaction', '--exit-on-error', '--dbname=kevlo'],
      url,
      { in: file },
    ),
  );
  process.stdout.write('The backup is restored.\n');
  return 0;
}

async function withUrl(work: (url: URL) => Promise<void>): Promise<void> {
  const folder = dataFolder();
  const { url, cluster } = await openDatabase(folder);
  try {
    await work(new URL(url));
  } finally {
    if (cluster?.wasStarted) await stopCluster(folder);
  }
}

/** Runs a client program with the password in its environment, never in its arguments. */
async function pipe(
  name: string,
  args: readonly string[],
  url: URL,
  files: { in?: string; out?: string },
): Promise<void> {
  const input = files.in === undefined ? 'ignore' : openSync(files.in, 'r');
  const output = files.out === undefined ? 'ignore' : openSync(files.out, 'w', 0o600);
  const env = {
    ...process.env,
    PGHOST: url.hostname,
    PGPORT: url.port,
    PGUSER: url.username,
    PGPASSWORD: decodeURIComponent(url.password),
    PGDATABASE: url.pathname.slice(1),
  };
  const child = spawn(
    binary(name),
    args.map((arg) => (arg === '--dbname=kevlo' ? `--dbname=${env.PGDATABASE}` : arg)),
    { env, stdio: [input, output, 'pipe'] },
  );
  let text = '';
  child.stderr?.on('data', (chunk: Buffer) => (text += chunk.toString()));
  const code = await new Promise<number>((resolve) => child.once('close', (status) => resolve(status ?? 1)));
  for (const handle of [input, output]) if (typeof handle === 'number') closeSync(handle);
  if (code === 0) return;
  if (files.out !== undefined) unlinkSync(files.out);
  throw new PlainError(`${name} failed: ${text.trim().split('\n')[0]}.`);
}
