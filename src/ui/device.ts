/** What this device keeps for Kevlo, by key; all tabs share it. What it will not keep holds until the page is left. */

/** Told when this tab changed something; other tabs are told by the browser. */
const CHANGED = 'kevlo-device-changed';

/** What the device would not keep: a private window, or a store that is full. */
const unkept = new Map<string, string>();

/** Reads what is kept under a key. */
export function kept(key: string): string | undefined {
  const own = unkept.get(key);
  if (own !== undefined) return own;
  try {
    return window.localStorage.getItem(key) ?? undefined;
  } catch {
    return undefined;
  }
}

/** Keeps a word under a key, or forgets it. @returns whether it outlives this page */
export function keep(key: string, value: string | undefined): boolean {
  let isSafe = true;
  unkept.delete(key);
  try {
    if (value === undefined) window.localStorage.removeItem(key);
    else window.localStorage.setItem(key, value);
  } catch {
    isSafe = false;
    if (value !== undefined) unkept.set(key, value);
  }
  window.dispatchEvent(new Event(CHANGED));
  return isSafe;
}

/** Whether what is kept under a key would be lost with this page. */
export function isUnsafe(key: string): boolean {
  return unkept.has(key);
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
