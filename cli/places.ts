import { createHash } from 'node:crypto';
import { existsSync, lstatSync, mkdirSync, statSync, statfsSync } from 'node:fs';
import path from 'node:path';
import { PlainError } from './PlainError';

/** The project's folder. */
export const ROOT = process.env.KEVLO_ROOT ?? process.cwd();

/** Least room for a database to start in, bytes. */
export const LEAST_ROOM = 200 * 1024 * 1024;

/** Whether this process is root, so that the database needs a user of its own. */
export function isRoot(): boolean {
  return process.getuid?.() === 0;
}

/**
 * The folder for everything that is kept: `.data` in the project, or KEVLO_DATA. For root the database's own user
 * must be able to reach it; where a folder above keeps it out, /var/lib/kevlo is taken instead.
 * @param leastRoom bytes that must be free: for what begins something; what ends it or saves it works on a full disk too
 */
export function dataFolder(leastRoom = 0): string {
  const wished = process.env.KEVLO_DATA ? path.resolve(process.env.KEVLO_DATA) : path.join(ROOT, '.data');
  const blocker = isRoot() ? closedParent(wished) : undefined;
  if (!blocker) return prepare(wished, leastRoom);
  if (process.env.KEVLO_DATA) {
    throw new PlainError(
      `The database's user cannot enter ${blocker}. Allow it (chmod o+x ${blocker}) or set KEVLO_DATA to another folder.`,
    );
  }
  const key = createHash('sha256').update(ROOT).digest('hex').slice(0, 10);
  const other = path.join('/var/lib/kevlo', key);
  process.stderr.write(`The database's user cannot enter ${blocker}, so the data is kept in ${other}.\n`);
  return prepare(other, leastRoom);
}

function prepare(folder: string, leastRoom: number): string {
  try {
    mkdirSync(folder, { recursive: true, mode: 0o755 });
    const { bavail, bsize } = statfsSync(folder);
    if (bavail * bsize < leastRoom) {
      const free = Math.floor((bavail * bsize) / 1e6);
      throw new PlainError(
        `The disk under ${folder} has ${free} MB left; Kevlo needs ${Math.floor(leastRoom / 2 ** 20)} MB. Free some space, or set KEVLO_DATA to another disk.`,
      );
    }
  } catch (error) {
    if (error instanceof PlainError) throw error;
    throw new PlainError(
      `The data folder ${folder} cannot be made: ${(error as Error).message}. Set KEVLO_DATA to another folder.`,
    );
  }
  return folder;
}

function closedParent(folder: string): string | undefined {
  const parents: string[] = [];
  for (let at = path.dirname(folder); at !== path.dirname(at); at = path.dirname(at)) parents.unshift(at);
  return parents.find(
    (parent) => existsSync(parent) && !lstatSync(parent).isSymbolicLink() && !(statSync(parent).mode & 0o001),
  );
}

/** Folder of the application's log files. */
export function logsFolder(folder: string): string {
  return path.join(folder, 'logs');
}
