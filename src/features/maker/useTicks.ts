'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { foldEvents, type ProgressEvent, type StepOfPatches } from '@/core/progress';
import { RefusedError, send } from '@/ui/api';
import { newId } from '@/ui/newId';
import { keep, kept, whenRead } from '@/ui/device';
import { useIsUnsafe, useRemembered } from '@/ui/useRemembered';
import {
  readUpTo,
  readWaiting,
  sendAll,
  storeKey,
  withTick,
  type Sending,
  type Tick,
  type Waiting,
} from './tickStore';

/** How long to wait before sending again what could not be sent, ms. */
const RETRY_MS = 5000;

/**
 * A maker's ticks: kept on the device first and sent when the server can be reached, as often as it takes. Each has an
 * id of its own, so that the server counts it once. The store belongs to the maker, not to the link, and all tabs share it.
 * @param upTo the maker's latest entry when the page was read
 */
export function useTicks(token: string, makerId: string, upTo: number) {
  const [waiting, change] = useWaiting(token, makerId);
  const isOnPageAlone = useIsUnsafe(storeKey(makerId));
  const [refusal, setRefusal] = useState<RefusedError | undefined>();
  const { ticks, sent } = waiting;
  useEffect(() => change((now) => readUpTo(now, upTo)), [change, upTo]);
  /** Whether something is being sent: what is ticked meanwhile goes with the next parcel, not a second time with its own. */
  const isUnderWay = useRef(false);
  useEffect(() => {
    if (ticks.length === 0) return;
    const sendSome = async (some: readonly Tick[]): Promise<Sending> => {
      try {
        const answer = await send<{ upTo?: number }>('POST', `/api/m/${token}/events`, { events: some });
        setRefusal(undefined);
        return { kind: 'taken', upTo: answer.upTo ?? 0 };
      } catch (error) {
        if (error instanceof RefusedError) setRefusal(error);
        return { kind: error instanceof RefusedError && isFinal(error) ? 'refused' : 'later' };
      }
    };
    // Read where they lie: the page hears of what was sent a moment later than this loop must know it.
    const unsent = () => readWaiting(kept(storeKey(makerId))).ticks;
    const deliver = async () => {
      if (isUnderWay.current) return;
      isUnderWay.current = true;
      try {
        while (unsent().length > 0 && (await sendAll(unsent(), sendSome, change)));
      } finally {
        isUnderWay.current = false;
      }
    };
    void deliver();
    const timer = setInterval(() => void deliver(), RETRY_MS);
    window.addEventListener('online', deliver);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', deliver);
    };
  }, [token, makerId, ticks, change]);
  const record = useCallback(
    (blockId: string, { id, units, made }: StepOfPatches, kind: Tick['kind'], minutes?: number) => {
      const clientId = newId();
      const at = new Date().toISOString();
      change((now) =>
        withTick(now, {
          clientId,
          blockId,
          stepId: id,
          kind,
          at,
          units,
          ...(made ? { made } : {}),
          ...(minutes === undefined ? {} : { minutes }),
        }),
      );
    },
    [change],
  );
  const all = useMemo(() => [...sent, ...ticks], [sent, ticks]);
  const apply = useCallback(
    (
      blockId: string,
      done: readonly string[],
      stuck: readonly string[],
      steps: readonly { readonly id: string; readonly made?: string }[],
    ) => {
      const before = new Date(0).toISOString();
      const known: ProgressEvent[] = [
        ...done.map((stepId) => ({ clientId: `d${stepId}`, stepId, kind: 'done' as const, at: before })),
        ...stuck.map((stepId) => ({ clientId: `s${stepId}`, stepId, kind: 'stuck' as const, at: before })),
      ];
      const made = new Map(steps.map((step) => [step.id, step.made]));
      const own = all.filter((tick) => tick.blockId === blockId);
      return foldEvents([...known, ...own], made.keys(), (id) => made.get(id));
    },
    [all],
  );
  const isWaiting = (blockId: string, stepId: string) =>
    ticks.some((tick) => tick.blockId === blockId && tick.stepId === stepId);
  /** Under which id the host hears that this step is stuck; nothing where this device did not say so. */
  const stuckId = (blockId: string, stepId: string) =>
    all.findLast((tick) => tick.blockId === blockId && tick.stepId === stepId && tick.kind === 'stuck')
      ?.clientId;
  return {
    record,
    apply,
    isWaiting,
    stuckId,
    /** Whether a tick, by its id, has not reached the host. */
    isUnsent: (clientId: string) => ticks.some((tick) => tick.clientId === clientId),
    waitingCount: ticks.length,
    /** Whether what waits would be lost with this page: the device keeps nothing more. */
    isUnsafe: ticks.length > 0 && isOnPageAlone,
    setAsideCount: waiting.setAside.length,
    refusal,
  };
}

/** Whether the server will never take what it refused: not for want of a link, of time or of patience. */
function isFinal({ status, code }: RefusedError): boolean {
  const isForNow = [401, 403, 408, 425, 429].includes(status) || code === 'no-such-link';
  return status >= 400 && status < 500 && !isForNow;
}

/** The device's store, the same in all tabs. */
function useWaiting(token: string, makerId: string): [Waiting, (change: (now: Waiting) => Waiting) => void] {
  const key = storeKey(makerId);
  const [text] = useRemembered(key);
  const change = useCallback(
    (work: (now: Waiting) => Waiting) => {
      whenRead(() => {
        // Read anew: another tab may have added something.
        const before = readWaiting(kept(key));
        const after = work(before);
        if (after !== before) keep(key, JSON.stringify(after));
      });
    },
    [key],
  );
  useEffect(() => {
    // What an older page kept under the link moves to the maker's store.
    const older = `kevlo-ticks-${token.slice(0, 8)}`;
    const { ticks } = readWaiting(`{"ticks":${kept(older) ?? '[]'}}`);
    if (ticks.length > 0) change((now) => ticks.reduce(withTick, now));
    if (kept(older) !== undefined) keep(older, undefined);
  }, [token, change]);
  return [useMemo(() => readWaiting(text), [text]), change];
}
