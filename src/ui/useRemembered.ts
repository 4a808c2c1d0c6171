import { useCallback, useLayoutEffect, useReducer, useSyncExternalStore } from 'react';
import { isUnsafe, keep, kept, onDevice } from './device';

/** A word that this device remembers under a key; where nothing may be kept it holds until the page is left. */
export function useRemembered(key: string): [string | undefined, (value: string) => void] {
  const read = useCallback(() => kept(key), [key]);
  const value = useSyncExternalStore(onDevice, read, () => undefined);
  // A page from the server knows nothing of the device. It must know before it hears the first press, or the press would mean what
  // is no longer so: looked at again in the same breath as it begins to listen, not a picture or (on a slow phone) seconds later.
  const [, lookAgain] = useReducer((times: number) => times + 1, 0);
  useLayoutEffect(lookAgain, [lookAgain]);
  const remember = useCallback((next: string) => void keep(key, next), [key]);
  return [value, remember];
}

/** Whether what is kept under a key would be lost with this page; a moment later the browser’s database may have it. */
export function useIsUnsafe(key: string): boolean {
  return useSyncExternalStore(
    onDevice,
    () => isUnsafe(key),
    () => false,
  );
}
