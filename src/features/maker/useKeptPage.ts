'use client';
import { useEffect, useState } from 'react';

/** Keeping begins when the page has been there this long, ms: first it must work. */
const FIRST_MS = 2500;

/** Whether the page is kept on the device, which begins a little after it is shown. @param loadRest loads what it has not needed yet */
export function useKeptPage(loadRest: () => Promise<unknown>): boolean {
  const [isKept, setIsKept] = useState(false);
  useEffect(() => {
    let end: (() => void) | undefined;
    const timer = setTimeout(() => {
      const begin = async () => {
        end = (await import('./keepPage')).keepPage(loadRest, () => setIsKept(true));
      };
      begin().catch(() => undefined);
    }, FIRST_MS);
    return () => {
      clearTimeout(timer);
      end?.();
    };
  }, [loadRest]);
  return isKept;
}
