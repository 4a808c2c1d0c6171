import { useCallback, useState, useSyncExternalStore } from 'react';

const CHANGED = 'kevlo-remembered';

function subscribe(onChange: () => void): () => void {
  const names = ['storage', CHANGED] as const;
  for (const name of names) window.addEventListener(name, onChange);
  return () => names.forEach((name) => window.removeEventListener(name, onChange));
}

/** A word that this device remembers under a key; where nothing may be kept it holds until the page is left. */
export function useRemembered(key: string): [string | undefined, (value: string) => void] {
  const read = useCallback(() => {
    try {
      return window.localStorage.getItem(key) ?? undefined;
    } catch {
      return undefined;
    }
  }, [key]);
  const kept = useSyncExternalStore(subscribe, read, () => undefined);
  const [own, setOwn] = useState<string | undefined>();
  const remember = useCallback(
    (next: string) => {
      setOwn(next);
      try {
        window.localStorage.setItem(key, next);
      } catch {
        // A private window may keep nothing: the page's own state has it.
      }
      window.dispatchEvent(new Event(CHANGED));
    },
    [key],
  );
  return [own ?? kept, remember];
}
