'use client';
import { useCallback, useEffect, useRef } from 'react';
import { RefusedError, send } from '@/ui/api';

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
      for (let waiting = readWaiting(key); waiting.length > 0; waiting = readWaiting(key)) {
        const answers = waiting.slice(0, MOST_WAITING);
        try {
          await send('POST', `/api/m/${token}/practice`, { answers });
        } catch (error) {
          // What is refused will be refused again; what was not heard waits.
          if (!(error instanceof RefusedError) || error.status === 429 || error.status >= 500) return;
        }
        writeWaiting(key, readWaiting(key).slice(answers.length));
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
      writeWaiting(key, [...readWaiting(key), answer].slice(-MOST_WAITING));
      void deliver();
    },
    [key, deliver],
  );
}

function readWaiting(key: string): readonly PracticeAnswer[] {
  try {
    const found: unknown = JSON.parse(window.localStorage.getItem(key) ?? '[]');
    return Array.isArray(found) ? (found as PracticeAnswer[]) : [];
  } catch {
    return [];
  }
}

function writeWaiting(key: string, answers: readonly PracticeAnswer[]): void {
  try {
    window.localStorage.setItem(key, JSON.stringify(answers));
  } catch {
    // Where nothing may be kept, an answer that cannot be sent is not counted.
  }
}
