import { useCallback, useSyncExternalStore } from 'react';
import { keep, kept, onDevice } from './device';

/** A word that this device remembers under a key; where nothing may be kept it holds until the page is left. */
export function useRemembered(key: string): [string | undefined, (value: string) => void] {
  const read = useCallback(() => kept(key), [key]);
  const value = useSyncExternalStore(onDevice, read, () => undefined);
  const remember = useCallback((next: string) => void keep(key, next), [key]);
  return [value, remember];
}
