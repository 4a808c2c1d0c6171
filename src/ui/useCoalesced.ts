import { useCallback, useEffect, useRef } from 'react';

/** Does something at once, and what is asked for while it was just done once more after a while: many askings cost two doings. */
export function useCoalesced(work: () => void, restMs: number): () => void {
  const latest = useRef(work);
  useEffect(() => {
    latest.current = work;
  });
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const isAsked = useRef(false);
  useEffect(() => () => clearTimeout(timer.current), []);
  return useCallback(() => {
    if (timer.current !== undefined) {
      isAsked.current = true;
      return;
    }
    latest.current();
    const rest = () => {
      timer.current = undefined;
      if (!isAsked.current) return;
      isAsked.current = false;
      latest.current();
      timer.current = setTimeout(rest, restMs);
    };
    timer.current = setTimeout(rest, restMs);
  }, [restMs]);
}
