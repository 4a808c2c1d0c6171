'use client';
import { useCallback, useEffect, useRef } from 'react';
import { RefusedError, send } from '@/ui/api';
import { keep, keptList } from '@/ui/device';

interface PracticeAnswer {
  readonly blockId: string;
  readonly question: string;
  readonly isRight: boolean;
}

/** What waits for a connection is kept up to this many answers; older ones are of little use. */
const MOST_WAITING = 100;

/** Sends answers to the sums of the group; without a connection they wait on the device and go with the next. */
export function useMissesSent(token: string, makerId: string): (answer: PracticeAnswer) => void {
  const key = `kevlo-practice-waiting-${makerId}`;
  const isUnderWay = useRef(false);
  const deliver = useCallback(async () => {
    if (isUnderWay.current) return;
    isUnderWay.current = true;
    try {
      for (let waiting = read(key); waiting.length > 0; waiting = read(key)) {
        const answers = waiting.slice(0, MOST_WAITING);
        try {
          await send('POST', `/api/m/${token}/practice`, { answers });
        } catch (error) {
          // What is refused will be refused again; what was not heard waits.
          if (!(error instanceof RefusedError) || error.status === 429 || error.status >= 500) return;
        }
        write(key, read(key).slice(answers.length));
      }
    } finally {
      isUnderWay.current = false;
    }
  }, [key, token]);
  useEffect(() => {
    const again = () => void deliver();
    again();
    window.addEventListener('online', again);
    return () => window.removeEventListener('online', again);
  }, [deliver]);
  return useCallback(
    (answer) => {
      write(key, [...read(key), answer].slice(-MOST_WAITING));
      void deliver();
    },
    [key, deliver],
  );
}

const read = (key: string) => keptList<PracticeAnswer>(key);
const write = (key: string, answers: readonly PracticeAnswer[]) => keep(key, JSON.stringify(answers));
