import type { DBSchema, IDBPDatabase } from 'idb';

interface Large extends DBSchema {
  readonly words: { readonly key: string; readonly value: string };
}

const NAME = 'kevlo';
let opened: Promise<IDBPDatabase<Large>> | undefined;

/** The library; pages that must work without a connection load it while there is one. */
export const loadLargeStore = () => import('idb');

/** The browser’s database for what is too large for its local storage. @throws where it has none, or gives it to no one */
function store(): Promise<IDBPDatabase<Large>> {
  if (typeof indexedDB === 'undefined') return Promise.reject(new Error('no database'));
  opened ??= loadLargeStore()
    .then(({ openDB }) =>
      openDB<Large>(NAME, 1, { upgrade: (database) => void database.createObjectStore('words') }),
    )
    .catch((problem: unknown) => {
      // Another time it may open.
      opened = undefined;
      throw problem;
    });
  return opened;
}

/** All that it holds; nothing where there is no such database. @throws where it is there and cannot be read */
export async function readLarge(): Promise<(readonly [string, string])[]> {
  if (typeof indexedDB === 'undefined') return [];
  // Nearly always nothing ever went there: then the library is not fetched.
  const there = await indexedDB.databases?.();
  if (there && !there.some(({ name }) => name === NAME)) return [];
  const words = (await store()).transaction('words').store;
  const [keys, values] = await Promise.all([words.getAllKeys(), words.getAll()]);
  return keys.map((key, index) => [key, values[index] ?? ''] as const);
}

/** Keeps a word. @returns whether it is written down */
export async function keepLarge(key: string, value: string): Promise<boolean> {
  try {
    await (await store()).put('words', value, key);
    return true;
  } catch {
    return false;
  }
}

export async function forgetLarge(key: string): Promise<void> {
  await store()
    .then((database) => database.delete('words', key))
    .catch(() => undefined);
}
