'use client';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { foldEvents, type ProgressEvent, type StepOfPatches } from '@/core/progress';
import { RefusedError, send } from '@/ui/api';

interface Tick extends ProgressEvent {
  readonly blockId: string;
}

/** How long to wait before sending again what could not be sent, ms. */
const RETRY_MS = 5000;

/**
 * A maker's ticks: kept on the device first and sent when the server can be reached, as often as it takes. Each has an
 * id of its own, so that the server counts it once.
 */
export function useTicks(token: string) {
  const key = `kevlo-ticks-${token.slice(0, 8)}`;
  const [waiting, setWaiting] = useState<readonly Tick[]>([]);
  const [sent, setSent] = useState<readonly Tick[]>([]);
  const [refusal, setRefusal] = useState<RefusedError | undefined>();
  const [isLoaded, setIsLoaded] = useState(false);
  useEffect(() => {
    // Reading the device's store must wait until the page stands: the server cannot know it.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setWaiting(readStore(key));
    setIsLoaded(true);
  }, [key]);
  useEffect(() => {
    if (isLoaded) localStorage.setItem(key, JSON.stringify(waiting));
  }, [key, waiting, isLoaded]);
  useEffect(() => {
    if (waiting.length === 0) return;
    let isCurrent = true;
    const deliver = async () => {
      try {
        await send('POST', `/api/m/${token}/events`, { events: waiting });
        if (!isCurrent) return;
        const ids = new Set(waiting.map(({ clientId }) => clientId));
        setSent((before) => [...before, ...waiting]);
        setWaiting((now) => now.filter(({ clientId }) => !ids.has(clientId)));
        setRefusal(undefined);
      } catch (error) {
        if (isCurrent && error instanceof RefusedError) setRefusal(error);
      }
    };
    void deliver();
    const timer = setInterval(() => void deliver(), RETRY_MS);
    window.addEventListener('online', deliver);
    return () => {
      isCurrent = false;
      clearInterval(timer);
      window.removeEventListener('online', deliver);
    };
  }, [token, waiting]);
  const record = useCallback((blockId: string, { id, units }: StepOfPatches, kind: Tick['kind']) => {
    const clientId = crypto.randomUUID?.() ?? fallbackId();
    const at = new Date().toISOString();
    setWaiting((now) => [...now, { clientId, blockId, stepId: id, kind, at, units }]);
  }, []);
  const all = useMemo(() => [...sent, ...waiting], [sent, waiting]);
  const apply = useCallback(
    (blockId: string, done: readonly string[], stuck: readonly string[], stepIds: readonly string[]) => {
      const before = new Date(0).toISOString();
      const known: ProgressEvent[] = [
        ...done.map((stepId) => ({ clientId: `d${stepId}`, stepId, kind: 'done' as const, at: before })),
        ...stuck.map((stepId) => ({ clientId: `s${stepId}`, stepId, kind: 'stuck' as const, at: before })),
      ];
      return foldEvents([...known, ...all.filter((tick) => tick.blockId === blockId)], stepIds);
    },
    [all],
  );
  return { record, apply, waitingCount: waiting.length, refusal };
}

/** Pages over plain http have no crypto.randomUUID; random bytes they have. */
function fallbackId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = ((bytes[6] as number) & 0x0f) | 0x40;
  bytes[8] = ((bytes[8] as number) & 0x3f) | 0x80;
  const hex = Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}

function readStore(key: string): Tick[] {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '[]') as Tick[];
  } catch {
    return [];
  }
}
