import { existsSync, openSync, closeSync, unlinkSync, renameSync } from 'node:fs';
import path from 'node:path';
import { spawn } from 'node:child_process';
import { PlainError } from './PlainError';
import { connect, migrate } from '@/server/database';
import { binary, run, stopCluster } from './cluster';
import { ROOT, dataFolder } from './places';
import { ask } from './start';
import { openDatabase, withDatabase } from './withDatabase';

const MIGRATIONS = path.join(ROOT, 'src/server/migrations');

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
  await withUrl((url) => restoreInto(url, file));
  process.stdout.write('The backup is restored.\n');
  return 0;
}

/**
 * Puts a backup into an empty database beside the one in use, brings it up to this version, and only then lets it take the other's
 * place: what cannot be restored changes nothing.
 */
async function restoreInto(url: URL, file: string): Promise<void> {
  const name = url.pathname.slice(1);
  const fresh = `${name}_restoring`;
  const beside = new URL(url);
  beside.pathname = `/${fresh}`;
  const admin = new URL(url);
  admin.pathname = '/postgres';
  const sql = connect(admin.href, 1);
  try {
    await refuseForeign(file);
    await sql.unsafe(`drop database if exists "${fresh}" with (force)`);
    await sql.unsafe(`create database "${fresh}"`);
    try {
      await pipe(
        'pg_restore',
        ['--no-owner', '--single-transaction', '--exit-on-error', `--dbname=${fresh}`],
        beside,
        { in: file },
      );
      await withDatabase(beside.href, (own) => migrate(own, MIGRATIONS));
    } catch (error) {
      await sql.unsafe(`drop database if exists "${fresh}" with (force)`);
      throw error;
    }
    // The old one goes last: a kill in between leaves it whole under another name, never nothing.
    const old = `${name}_before_restore`;
    await sql.unsafe(`drop database if exists "${old}" with (force)`);
    await sql.unsafe(`alter database "${name}" with allow_connections false`);
    await sql`select pg_terminate_backend(pid) from pg_stat_activity where datname = ${name}`;
    await sql.unsafe(`alter database "${name}" rename to "${old}"`);
    await sql.unsafe(`alter database "${fresh}" rename to "${name}"`);
    await sql.unsafe(`drop database if exists "${old}" with (force)`);
  } finally {
    await sql.end({ timeout: 5 });
  }
}

/** Refuses dumps of something else before anything is made. */
async function refuseForeign(file: string): Promise<void> {
  const { code, text } = await run(binary('pg_restore'), ['--list', file]);
  if (code !== 0)
    throw new PlainError(`${file} is no backup that can be read: ${text.trim().split('\n')[0]}.`);
  const isOurs = ['migration', 'project', 'progress_event'].every((table) =>
    text.includes(` TABLE public ${table} `),
  );
  if (!isOurs)
    throw new PlainError(
      `${file} is a dump of another database, not a backup of Kevlo. Nothing was changed.`,
    );
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
  const child = spawn(binary(name), args, { env, stdio: [input, output, 'pipe'] });
  let text = '';
  child.stderr?.on('data', (chunk: Buffer) => (text += chunk.toString()));
  const code = await new Promise<number>((resolve) => child.once('close', (status) => resolve(status ?? 1)));
  for (const handle of [input, output]) if (typeof handle === 'number') closeSync(handle);
  if (code === 0) return;
  if (files.out !== undefined) unlinkSync(files.out);
  throw new PlainError(`${name} failed: ${text.trim().split('\n')[0]}.`);
}
