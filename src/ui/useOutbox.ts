import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { asRefusal, isForNow, type RefusedError } from './api';
import { keep, keptList, listIn, whenRead } from './device';
import { useRemembered } from './useRemembered';

/** What waits is tried again after so long, ms. */
const AGAIN_MS = 4000;

/** Something that is to be sent; its number tells it from others that say the same. */
interface Waiting<T> {
  readonly number: number;
  readonly item: T;
}

interface OutboxOptions<T> {
  /** Under which the device keeps what waits; all tabs share it. */
  readonly key: string;
  /** Sends one thing. What it throws says whether it is tried again: no answer, a server that is not well, or not yet. */
  readonly deliver: (item: T) => Promise<void>;
  /** The server looked at it and will not have it: it is not sent again. */
  readonly onRefused: (refusal: RefusedError, item: T) => void | Promise<void>;
  /** All that waited is gone; news that crossed with it may have been missed. */
  readonly onSent?: () => void;
}

/** Things kept on the device until the server has them, sent in their order, one after the other; a lost connection loses none. */
export function useOutbox<T>(options: OutboxOptions<T>) {
  const { key } = options;
  const [text] = useRemembered(key);
  const waiting = useMemo(() => listIn<Waiting<T>>(text).map(({ item }) => item), [text]);
  const latest = useRef<OutboxOptions<T> | undefined>(undefined);
  useEffect(() => {
    latest.current = options;
    return () => void (latest.current = undefined);
  });
  const isSending = useRef(false);
  const [isOffline, setIsOffline] = useState(false);

  const flush = useCallback(async () => {
    if (isSending.current) return;
    isSending.current = true;
    // Read where it lies: what a page remembers of it may be older than what was done since.
    const first = () => keptList<Waiting<T>>(key)[0];
    let isAny = false;
    try {
      for (let next = first(); next && latest.current; next = first()) {
        const { number, item } = next;
        try {
          await latest.current.deliver(item);
          setIsOffline(false);
          isAny = true;
        } catch (error) {
          const refusal = asRefusal(error);
          setIsOffline(isForNow(refusal));
          if (isForNow(refusal)) return;
          await latest.current?.onRefused(refusal, item);
        }
        keep(key, JSON.stringify(keptList<Waiting<T>>(key).filter((one) => one.number !== number)));
      }
    } finally {
      isSending.current = false;
      if (isAny) latest.current?.onSent?.();
    }
  }, [key]);

  useEffect(() => {
    const again = () => void flush();
    again();
    const timer = setInterval(again, AGAIN_MS);
    window.addEventListener('online', again);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [flush]);

  const put = useCallback(
    (item: T) => {
      whenRead(() => {
        const before = keptList<Waiting<T>>(key);
        keep(key, JSON.stringify([...before, { number: (before.at(-1)?.number ?? 0) + 1, item }]));
        void flush();
      });
    },
    [key, flush],
  );
  return { waiting, put, isOffline };
} // prettier-ignore
