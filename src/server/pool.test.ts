import os from 'node:os';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { ServerError } from './errors';
import { fewAtOnce, offThread, unlessRefused } from './pool';

interface Asked {
  readonly name: string;
  readonly signal: AbortSignal;
}

const place = globalThis as { kevloPool?: unknown; kevloLong?: unknown };
const kept = place.kevloPool;
beforeEach(() => void (place.kevloLong = undefined));
afterEach(() => void (place.kevloPool = kept));

/** Threads that do this, in place of the real ones. */
const threads = (run: (task: unknown, asked: Asked) => Promise<unknown>) => void (place.kevloPool = { run });
const fault = (own: object) => Object.assign(new Error(), own);
const asked = (signal?: AbortSignal) => offThread('printSteps', { own: 1 } as never, signal);

test('work goes to a thread by its name, with what it is of, and its result comes back', async () => {
  threads(async (task, { name, signal }) => [task, name, signal.aborted]);
  expect(await asked()).toEqual([{ own: 1 }, 'printSteps', false]);
});

test('whoever leaves ends their work', async () => {
  const leaving = new AbortController();
  threads((_task, { signal }) => new Promise((_, fail) => signal.addEventListener('abort', () => fail(new Error('gone'))))); // prettier-ignore
  const work = asked(leaving.signal);
  leaving.abort();
  await expect(work).rejects.toMatchObject({ status: 499, body: { code: 'left' } });
});

const MOST_LONG = Math.max(1, os.availableParallelism() - 2);

test('what may take minutes leaves a thread to all else, and waits its turn', async () => {
  const begun: [name: string, end: () => void][] = [];
  threads((task, { name }) => new Promise((end) => begun.push([`${name} ${task}`, () => end(task)])));
  const names = () => begun.map(([name]) => name);
  const asking = Array.from({ length: MOST_LONG + 2 }, (_, i) => offThread('drawing', i as never));
  const leaving = new AbortController();
  const left = offThread('drawing', 'left' as never, leaving.signal);
  await vi.waitFor(() => expect(begun).toHaveLength(MOST_LONG));
  // A page waits for forecasts.
  const quick = offThread('pace', 'quick' as never);
  await vi.waitFor(() => expect(names()).toContain('pace quick'));
  leaving.abort();
  await expect(left).rejects.toMatchObject({ status: 499 });
  expect(begun).toHaveLength(MOST_LONG + 1);
  begun[0]?.[1]();
  await vi.waitFor(() => expect(names().at(-1)).toBe(`drawing ${MOST_LONG}`));
  for (let i = 1; i < MOST_LONG + 3; i++)
    await vi.waitFor(() => begun[i]?.[1]() ?? expect(begun[i]).toBeDefined());
  expect(await Promise.all(asking)).toEqual(asking.map((_, i) => i));
  expect(await quick).toBe('quick');
  expect(names()).not.toContain('drawing left');
});

test.each([
  [{ message: 'Task queue is at limit' }, 503, 'busy'],
  [{ code: 'ERR_WORKER_OUT_OF_MEMORY' }, 422, 'too-long'],
])('a thread that fails with %o is answered', async (error, status, code) => {
  threads(() => Promise.reject(fault(error)));
  await expect(asked()).rejects.toMatchObject({ status, body: { code } });
});

test('a fault of the work itself is not dressed up', async () => {
  threads(() => Promise.reject(fault({ message: 'a fault' })));
  const error = await asked().catch((one: unknown) => one);
  expect(error).not.toBeInstanceOf(ServerError);
  expect(error).toMatchObject({ message: 'a fault' });
});

test('what the core refused is an answer; what it made is given back', () => {
  expect(unlessRefused({ value: 7 } as never)).toBe(7);
  const refusal = { code: 'odd', message: 'It is odd.', mend: 'Make it even.', place: {} };
  expect(() => unlessRefused({ refusal } as never)).toThrow(ServerError);
});

test('an account has two drawings read at once and no more; others are not held up, and room comes back', async () => {
  const ends: (() => void)[] = [];
  const long = (who: string) => fewAtOnce(who, () => new Promise<void>((resolve) => ends.push(resolve)));
  const [first, second] = [long('a'), long('a')];
  await expect(long('a')).rejects.toMatchObject({ status: 429, body: { code: 'one-at-a-time' } });
  const other = long('b');
  expect(ends).toHaveLength(3);
  ends[0]?.();
  await first;
  const third = long('a');
  await expect(long('a')).rejects.toMatchObject({ status: 429 });
  ends.forEach((end) => end());
  await Promise.all([second, third, other]);
  await expect(fewAtOnce('a', () => Promise.reject(new Error('failed')))).rejects.toThrow('failed');
  expect(await Promise.all([1, 2].map((one) => fewAtOnce('a', async () => one)))).toEqual([1, 2]);
});
