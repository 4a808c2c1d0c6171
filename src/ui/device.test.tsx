import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { isUnsafe, keep, kept, keptList, onDevice } from './device';

/** The device as a page finds it that is opened anew. */
async function opened() {
  vi.resetModules();
  return import('./device');
}
const fill = () =>
  vi.spyOn(window.localStorage, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });

/** Longer than a busy machine takes. */
const until = (check: () => unknown) => vi.waitFor(check, 20_000);
/** Until the browser's database holds a word under a key. */
const inDatabase = (key: string) =>
  until(async () => {
    const { readLarge } = await import('./largeStore');
    expect((await readLarge()).map(([name]) => name)).toContain(key);
  });

beforeEach(() => localStorage.clear());
afterEach(() => vi.unstubAllGlobals());

test('what is kept is read again, told to whoever listens, and forgotten', () => {
  const heard = vi.fn();
  const stop = onDevice(heard);
  expect(keep('k', 'word')).toBe(true);
  expect([kept('k'), heard.mock.calls.length]).toEqual(['word', 1]);
  keep('k', undefined);
  expect([kept('k'), heard.mock.calls.length]).toEqual([undefined, 2]);
  stop();
  keep('k', 'again');
  expect(heard).toHaveBeenCalledTimes(2);
});

test('a full device without a database: what does not fit holds until the page is left, and is said to be unsafe until there is room', async () => {
  vi.stubGlobal('indexedDB', undefined);
  const full = fill();
  expect(keep('k', 'word')).toBe(false);
  expect(kept('k')).toBe('word');
  await until(() => expect(isUnsafe('k')).toBe(true));
  full.mockRestore();
  expect(keep('k', 'word')).toBe(true);
  expect([kept('k'), isUnsafe('k')]).toEqual(['word', false]);
});

test('what does not fit goes into the browser’s database, is there when the page is opened again, and leaves it once there is room', async () => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  const first = await opened();
  first.keep('k', 'older');
  const full = fill();
  const listen = vi.fn();
  first.onDevice(listen);
  expect(first.keep('k', 'word')).toBe(false);
  const before = listen.mock.calls.length;
  await until(() => expect(listen.mock.calls.length).toBeGreaterThan(before));
  expect(first.isUnsafe('k')).toBe(false);
  // The older word does not come back.
  expect(localStorage.getItem('k')).toBeNull();
  full.mockRestore();
  const second = await opened();
  const seen = await new Promise((resolve) => second.whenRead(() => resolve(second.kept('k'))));
  expect([seen, second.isUnsafe('k')]).toEqual(['word', false]);
  second.keep('k', 'newer');
  expect(localStorage.getItem('k')).toBe('newer');
  await until(async () => expect(await (await import('./largeStore')).readLarge()).toEqual([]));
  const third = await opened();
  await new Promise<void>((resolve) => third.whenRead(resolve));
  expect(third.kept('k')).toBe('newer');
});

test('what is read and written anew waits until all that is kept can be read', async () => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  const first = await opened();
  const full = fill();
  first.keep('list', '[1]');
  await inDatabase('list');
  full.mockRestore();
  const second = await opened();
  second.whenRead(() => second.keep('list', JSON.stringify([...second.keptList('list'), 2])));
  expect(second.kept('list')).toBeUndefined();
  await until(() => expect(second.kept('list')).toBe('[1,2]'));
});

test('a database that cannot be opened at once is tried again: what it holds is not written over', async () => {
  const factory = new IDBFactory();
  vi.stubGlobal('indexedDB', factory);
  const first = await opened();
  const full = fill();
  first.keep('list', '[1]');
  await inDatabase('list');
  full.mockRestore();
  const open = vi.spyOn(factory, 'open').mockImplementationOnce(() => {
    throw new DOMException('not now', 'UnknownError');
  });
  const second = await opened();
  second.whenRead(() => second.keep('list', JSON.stringify([...second.keptList('list'), 2])));
  await until(() => expect(second.kept('list')).toBe('[1,2]'));
  // One that never opens holds nobody up for long.
  open.mockImplementation(() => {
    throw new DOMException('never', 'UnknownError');
  });
  localStorage.clear();
  const third = await opened();
  third.whenRead(() => third.keep('list', '[3]'));
  await until(() => expect(third.kept('list')).toBe('[3]'));
});

test('what was kept while the database was still being read is newer than what lies there', async () => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  const first = await opened();
  const full = fill();
  first.keep('k', 'older');
  await inDatabase('k');
  full.mockRestore();
  const second = await opened();
  second.keep('k', 'newer');
  await new Promise<void>((resolve) => second.whenRead(resolve));
  expect(second.kept('k')).toBe('newer');
  await until(async () => expect(await (await import('./largeStore')).readLarge()).toEqual([]));
});

test('nobody is alarmed while the database takes a word; one that takes more than a second of it is no safe place', async () => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  const { keep: keepWord, isUnsafe: isAlone, onDevice: hear } = await opened();
  vi.useFakeTimers();
  const full = fill();
  const heard: boolean[] = [];
  hear(() => isAlone('k') !== heard.at(-1) && heard.push(isAlone('k')));
  keepWord('k', 'word');
  // The database is let answer only after the second is over.
  vi.advanceTimersByTime(999);
  expect([isAlone('k'), heard]).toEqual([false, [false]]);
  vi.advanceTimersByTime(1);
  expect([isAlone('k'), heard]).toEqual([true, [false, true]]);
  vi.useRealTimers();
  await until(() => expect(heard).toEqual([false, true, false]));
  // One that it took in time stays safe when the second is over.
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  keepWord('other', 'word');
  await inDatabase('other');
  vi.advanceTimersByTime(2000);
  expect(isAlone('other')).toBe(false);
  full.mockRestore();
});

test('a list that cannot be read is empty', () => {
  for (const text of ['{', '7', '{"a":1}']) {
    keep('l', text);
    expect(keptList('l')).toEqual([]);
  }
  keep('l', '[1,2]');
  expect(keptList('l')).toEqual([1, 2]);
});
