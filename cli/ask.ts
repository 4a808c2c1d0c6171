import { readFileSync, statSync } from 'node:fs';
import { InvalidInputError } from '@/core/errors';

const MOST_BYTES = 20_000_000;

/** Runs a command that answers a request file with one document on stdout; bad input ends with 2 and one line on stderr. */
export async function runAsk(work: () => object | Promise<object>): Promise<number> {
  try {
    const answer = await work();
    process.stdout.write(`${JSON.stringify(answer, null, 1)}\n`);
    return 0;
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    process.stderr.write(`${`${error.message} ${error.mend}`.replace(/\s+/g, ' ').trim()}\n`);
    return 2;
  }
}

/** One file and the options a command knows, each with a value. @throws InvalidInputError `usage` */
export function readArguments(args: readonly string[], usage: string, options: readonly string[] = []) {
  const given = new Map<string, string>();
  let file: string | undefined;
  for (let i = 0; i < args.length; i++) {
    const argument = args[i] ?? '';
    const [name = '', inline] = argument.split('=', 2);
    if (options.includes(name)) given.set(name, inline ?? args[++i] ?? '');
    else if (argument.startsWith('--')) throw wrong(`“${argument}” is not an option.`, usage);
    else if (file === undefined) file = argument;
    else throw wrong(`“${argument}” is one file too many.`, usage);
  }
  if (file === undefined) throw wrong('No file is named.', usage);
  return { text: readRequest(file), given };
}

const wrong = (message: string, usage: string) => new InvalidInputError('usage', message, usage);

function readRequest(file: string): string {
  let size: number;
  try {
    ({ size } = statSync(file));
  } catch (error) {
    const why = (error as NodeJS.ErrnoException).code === 'ENOENT' ? 'is not there' : 'cannot be read';
    throw new InvalidInputError('file', `${file} ${why}.`, 'Check its name and where it lies.');
  }
  if (size > MOST_BYTES)
    throw new InvalidInputError('file', `${file} is ${(size / 1e6).toFixed(0)} MB; the most is ${MOST_BYTES / 1e6} MB.`, 'Split the request.');
  try {
    return readFileSync(file, 'utf8');
  } catch {
    throw new InvalidInputError('file', `${file} cannot be read.`, 'Name a file that you may read.');
  }
} // prettier-ignore

/** A time in seconds. @throws InvalidInputError `usage` */
export function secondsOf(text: string | undefined, normally: number): number {
  if (text === undefined) return normally;
  const seconds = Number(text);
  if (text.trim() !== '' && Number.isFinite(seconds) && seconds >= 0 && seconds <= 3600) return seconds;
  throw new InvalidInputError('usage', `--seconds ${text} is not a time.`, 'Give seconds from 0 to 3600, like 8.');
} // prettier-ignore
