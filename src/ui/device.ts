/**
 * What this device keeps for Kevlo, by key; all tabs share it. Words lie in the local storage, which is written before a press
 * ends; what does not fit there lies in a database of the browser, which takes a moment longer and holds pictures by the hundred.
 * What neither takes holds until the page is left.
 */
import { forgetLarge, keepLarge, readLarge } from './largeStore';

/** Told when this tab changed something; other tabs are told by the browser. */
const CHANGED = 'kevlo-device-changed';

/** What the local storage would not keep: a private window, or a store that is full. */
const beyond = new Map<string, string>();
/** Of that, what the database does not have, and did not take at once. */
const isOnPageAlone = new Set<string>();
/** Until it has had so long nobody is alarmed, ms: a database takes far less. */
const SPILL_MS = 1000;

/** What waits until it is known what the database holds; undefined once that is so. */
let waiters: (() => void)[] | undefined = [];
const tabs = typeof window === 'undefined' || typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('kevlo-device'); // prettier-ignore

/** A database that cannot be read is tried so often, so long apart, ms: what it holds must not be written over unread. */
const [TRIES, TRY_MS] = [4, 300];

async function readPatiently(): Promise<(readonly [string, string])[]> {
  for (let tries = 1; tries < TRIES; tries++)
    try {
      return await readLarge();
    } catch {
      await new Promise((resolve) => setTimeout(resolve, TRY_MS));
    }
  return readLarge().catch(() => []);
}

/** Reads what the database holds; called once when a page begins. */
export async function beginDevice(): Promise<void> {
  for (const [key, value] of await readPatiently()) {
    if (beyond.has(key)) continue;
    // Words move to the database by leaving the local storage: one that is there was kept since.
    if (kept(key) !== undefined) {
      void forgetLarge(key);
      continue;
    }
    beyond.set(key, value);
  }
  const waiting = waiters ?? [];
  waiters = undefined;
  for (const work of waiting) work();
  tell();
}

/** Does what reads a word and writes it anew: at once, or as soon as all that is kept can be read. */
export function whenRead(work: () => void): void {
  if (waiters) waiters.push(work);
  else work();
}

/** Reads what is kept under a key. */
export function kept(key: string): string | undefined {
  const own = beyond.get(key);
  if (own !== undefined) return own;
  try {
    return window.localStorage.getItem(key) ?? undefined;
  } catch {
    return undefined;
  }
}

/** Keeps a word under a key, or forgets it. @returns whether it outlives this page already */
export function keep(key: string, value: string | undefined): boolean {
  let isSafe = true;
  const wasBeyond = beyond.delete(key);
  try {
    if (value === undefined) window.localStorage.removeItem(key);
    else window.localStorage.setItem(key, value);
  } catch {
    isSafe = false;
    if (value !== undefined) beyond.set(key, value);
    dropOlder(key);
  }
  if (beyond.has(key)) void spill(key, value ?? '');
  else {
    isOnPageAlone.delete(key);
    if (wasBeyond) void forgetLarge(key).then(() => tabs?.postMessage({ key }));
  }
  tell();
  return isSafe;
}

/** An older word must not come back where the new one does not fit. */
function dropOlder(key: string): void {
  try {
    window.localStorage.removeItem(key);
  } catch {
    // There is no local storage at all.
  }
}

/** Puts into the database what did not fit; another tab hears of it. */
async function spill(key: string, value: string): Promise<void> {
  const settle = (isThere: boolean): void => {
    // What was kept meanwhile has a spill of its own.
    if (beyond.get(key) !== value) return;
    if (isThere) isOnPageAlone.delete(key);
    else isOnPageAlone.add(key);
    tell();
  };
  const late = setTimeout(() => settle(false), SPILL_MS);
  const isThere = await keepLarge(key, value);
  clearTimeout(late);
  if (isThere && beyond.get(key) === value) tabs?.postMessage({ key, value });
  settle(isThere);
}

tabs?.addEventListener('message', ({ data }: MessageEvent<{ key: string; value?: string }>) => {
  const { key, value } = data;
  if (value === undefined) beyond.delete(key);
  else beyond.set(key, value);
  isOnPageAlone.delete(key);
  tell();
});

function tell(): void {
  if (typeof window !== 'undefined') window.dispatchEvent(new Event(CHANGED));
}

/** Whether what is kept under a key would be lost with this page. */
export function isUnsafe(key: string): boolean {
  return isOnPageAlone.has(key);
}

/** Listens for changes by this tab and by others. @returns how to stop */
export function onDevice(listener: () => void): () => void {
  const names = ['storage', CHANGED] as const;
  for (const name of names) window.addEventListener(name, listener);
  return () => names.forEach((name) => window.removeEventListener(name, listener));
}

/** Reads a list that is kept as JSON under a key. */
export function keptList<T>(key: string): readonly T[] {
  return listIn(kept(key));
}

/** The list that a kept text holds; one that cannot be read is empty. */
export function listIn<T>(text: string | undefined): readonly T[] {
  try {
    const found: unknown = JSON.parse(text ?? '[]');
    return Array.isArray(found) ? (found as T[]) : [];
  } catch {
    return [];
  }
}

if (typeof window !== 'undefined') void beginDevice();
