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

test('a full device without a database: what does not fit holds until the page is left, and is said to be unsafe until there is room', () => {
  vi.stubGlobal('indexedDB', undefined);
  const full = fill();
  expect(keep('k', 'word')).toBe(false);
  expect([kept('k'), isUnsafe('k')]).toEqual(['word', true]);
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
  await vi.waitFor(() => expect(first.isUnsafe('k')).toBe(false));
  expect(listen.mock.calls.length).toBeGreaterThan(before);
  // The older word does not come back.
  expect(localStorage.getItem('k')).toBeNull();
  full.mockRestore();
  const second = await opened();
  const seen = await new Promise((resolve) => second.whenRead(() => resolve(second.kept('k'))));
  expect([seen, second.isUnsafe('k')]).toEqual(['word', false]);
  second.keep('k', 'newer');
  expect(localStorage.getItem('k')).toBe('newer');
  await vi.waitFor(async () => expect(await (await import('./largeStore')).readLarge()).toEqual([]));
  const third = await opened();
  await new Promise<void>((resolve) => third.whenRead(resolve));
  expect(third.kept('k')).toBe('newer');
});

test('what is read and written anew waits until all that is kept can be read', async () => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  const first = await opened();
  const full = fill();
  first.keep('list', '[1]');
  await vi.waitFor(() => expect(first.isUnsafe('list')).toBe(false));
  full.mockRestore();
  const second = await opened();
  second.whenRead(() => second.keep('list', JSON.stringify([...second.keptList('list'), 2])));
  expect(second.kept('list')).toBeUndefined();
  await vi.waitFor(() => expect(second.kept('list')).toBe('[1,2]'));
});

test('what was kept while the database was still being read is newer than what lies there', async () => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  const first = await opened();
  const full = fill();
  first.keep('k', 'older');
  await vi.waitFor(() => expect(first.isUnsafe('k')).toBe(false));
  full.mockRestore();
  const second = await opened();
  second.keep('k', 'newer');
  await new Promise<void>((resolve) => second.whenRead(resolve));
  expect(second.kept('k')).toBe('newer');
  await vi.waitFor(async () => expect(await (await import('./largeStore')).readLarge()).toEqual([]));
});

test('a list that cannot be read is empty', () => {
  for (const text of ['{', '7', '{"a":1}']) {
    keep('l', text);
    expect(keptList('l')).toEqual([]);
  }
  keep('l', '[1,2]');
  expect(keptList('l')).toEqual([1, 2]);
});
