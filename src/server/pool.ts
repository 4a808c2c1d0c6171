import os from 'node:os';
import path from 'node:path';
import PQueue from 'p-queue';
import { Piscina } from 'piscina';
import type * as worker from '@/workers/node/coreWorker';
import type { Refusable } from '@/workers/node/coreWorker';
import { ServerError } from './errors';
import { refusalOf } from './refused';

type Tasks = typeof worker;

/** Work that takes longer than this is ended and refused, ms. */
const MOST_MS = 120_000;
/** Tasks that wait for a thread at the same time; more are refused. */
const MOST_WAITING = 200;
/** A worker that needs more memory is ended, MB. */
const MOST_MEMORY_MB = 2_000;

/** Work that is asked for by a press and may take minutes: it never has the last thread, so that no save and no page waits for its end. */
const LONG: ReadonlySet<keyof Tasks> = new Set(['drawing', 'projectFile', 'fussySets', 'level']);
/** One core stays with the thread that answers requests; two are the fewest of which one can be left free. */
const THREADS = Math.max(2, os.availableParallelism() - 1);

/** The one pool of this process and who waits to take long in it; kept across reloads of modules. */
const place = globalThis as { kevloPool?: Piscina; kevloLong?: PQueue; kevloAtWork?: Map<string, number> };

function pool(): Piscina {
  const root = process.env.KEVLO_ROOT ?? process.cwd();
  return (place.kevloPool ??= new Piscina({
    filename: path.join(/*turbopackIgnore: true*/ root, 'dist', 'cli', 'coreWorker.js'),
    minThreads: 0,
    maxThreads: THREADS,
    idleTimeout: 30_000,
    maxQueue: MOST_WAITING,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  }));
}

/**
 * Runs a core function in a worker thread; what may take minutes waits its turn, which does not count as taking long.
 * @param signal ends the work when whoever asked for it leaves
 * @throws ServerError 422 `too-long` past two minutes, 503 `busy` when too much waits
 */
export async function offThread<K extends keyof Tasks>(
  name: K,
  task: Parameters<Tasks[K]>[0],
  signal?: AbortSignal,
): Promise<Awaited<ReturnType<Tasks[K]>>> {
  let timeout: AbortSignal | undefined;
  const run = (): Promise<Awaited<ReturnType<Tasks[K]>>> => {
    timeout = AbortSignal.timeout(MOST_MS);
    return pool().run(task, { name, signal: signal ? AbortSignal.any([signal, timeout]) : timeout });
  };
  try {
    return LONG.has(name) ? await inTurn(run, signal) : await run();
  } catch (error) {
    if (signal?.aborted)
      throw new ServerError(499, { code: 'left', what: 'The request was given up.', mend: '' });
    if (timeout?.aborted) throw tooLong();
    const { message = '', code = '' } = error as { message?: string; code?: string };
    if (message.includes('Task queue is at limit')) throw busy();
    if (code === 'ERR_WORKER_OUT_OF_MEMORY') throw tooLong();
    throw error;
  }
}

/** Runs what may take long once a thread is free besides one for all else. */
function inTurn<T>(run: () => Promise<T>, signal: AbortSignal | undefined): Promise<T> {
  const turns = (place.kevloLong ??= new PQueue({ concurrency: THREADS - 1 }));
  if (turns.size >= MOST_WAITING) throw busy();
  return turns.add(run, { ...(signal && { signal }) });
}

/** What came of work in a thread, or its refusal as an answer to whoever asked. @throws ServerError 422 */
export function unlessRefused<T>({ value, refusal }: Refusable<T>): T {
  if (!refusal) return value as T;
  throw refusalOf(refusal);
}

function tooLong(): ServerError {
  return new ServerError(422, {
    code: 'too-long',
    what: `This takes longer than ${MOST_MS / 60_000} min, or more memory than there is, to work out.`,
    mend: 'Split it into smaller blocks.',
  });
}

function busy(): ServerError {
  return new ServerError(503, {
    code: 'busy',
    what: 'Too much is being worked out at this moment.',
    mend: 'Nothing is lost; try again in a minute.',
  });
}

/** Drawings that one account may have read at the same time. */
const MOST_AT_ONCE = 2;
const atWork = (place.kevloAtWork ??= new Map());

/** Runs work that an account may have running a few times at once only. @throws ServerError 429 `one-at-a-time` */
export async function fewAtOnce<T>(accountId: string, work: () => Promise<T>): Promise<T> {
  const running = atWork.get(accountId) ?? 0;
  if (running >= MOST_AT_ONCE) {
    throw new ServerError(429, {
      code: 'one-at-a-time',
      what: `${MOST_AT_ONCE} of your drawings are being read already.`,
      mend: 'Wait until one is done, then send this one again.',
    });
  }
  atWork.set(accountId, running + 1);
  try {
    return await work();
  } finally {
    const left = (atWork.get(accountId) ?? 1) - 1;
    if (left > 0) atWork.set(accountId, left);
    else atWork.delete(accountId);
  }
}
