'use client';
import { useCallback, useState } from 'react';
import { asRefusal, type RefusedError } from './api';

/** Runs an action that may be refused; keeps the refusal for the form to show and says whether it is under way. */
export function useSend() {
  const [error, setError] = useState<RefusedError | undefined>();
  const [isBusy, setIsBusy] = useState(false);
  /**
   * @param isAgain by itself: what was refused stays on the screen until it went well
   * @returns whether it went well
   */
  const run = useCallback(async (action: () => Promise<void>, isAgain = false) => {
    setIsBusy(true);
    if (!isAgain) setError(undefined);
    try {
      await action();
      if (isAgain) setError(undefined);
      return true;
    } catch (refusal) {
      setError(asRefusal(refusal));
      return false;
    } finally {
      setIsBusy(false);
    }
  }, []);
  /** The refusal is settled and no longer shown. */
  const settle = useCallback(() => setError(undefined), []);
  return { error, isBusy, run, settle };
}
