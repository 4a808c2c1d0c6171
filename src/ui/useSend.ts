'use client';
import { useCallback, useState } from 'react';
import { asRefusal, type RefusedError } from './api';

/** Runs an action that may be refused; keeps the refusal for the form to show and says whether it is under way. */
export function useSend() {
  const [error, setError] = useState<RefusedError | undefined>();
  const [isBusy, setIsBusy] = useState(false);
  const run = useCallback(async (action: () => Promise<void>) => {
    setIsBusy(true);
    setError(undefined);
    try {
      await action();
    } catch (refusal) {
      setError(asRefusal(refusal));
    } finally {
      setIsBusy(false);
    }
  }, []);
  /** The refusal is settled and no longer shown. */
  const settle = useCallback(() => setError(undefined), []);
  return { error, isBusy, run, settle };
}
