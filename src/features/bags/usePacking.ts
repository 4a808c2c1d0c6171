import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import useSWR from 'swr';
import { mergeTicks, type Ticks } from '@/core/packing';
import type { BagAct, PackingAct, PackingKit } from '@/server/bags';
import { asRefusal, read, send, type RefusedError } from '@/ui/api';
import { keep, keptList, listIn } from '@/ui/device';
import { useLive } from '@/ui/useLive';
import { useRemembered } from '@/ui/useRemembered';

/** What waits is tried again after so long, ms. */
const AGAIN_MS = 4000;
/** A bag in the hand is held on to this often, ms: well before it would be let go of. */
const HOLD_MS = 60_000;

type Bag = { readonly blockId: string; readonly makerId: string };

/** Something done that the server has not yet; its number tells it from others that say the same. */
interface Waiting {
  readonly number: number;
  readonly act: BagAct;
}

const keyOf = ({ blockId, makerId }: Bag) => `${blockId}/${makerId}`;

export const isBag = (a: Bag, b: Bag) => a.blockId === b.blockId && a.makerId === b.makerId;

/**
 * The packing table: bags as the server knows them with what this device did since on top. What is done is kept on the device until the
 * server has it, and sent in its order; a connection that is lost loses nothing.
 */
export function usePacking(
  projectId: string,
  initial: readonly PackingKit[],
  onRefused: (error: RefusedError) => void,
) {
  const address = `/api/projects/${projectId}/packing`;
  const { data: known = initial, mutate } = useSWR<readonly PackingKit[]>(address, read, { fallbackData: initial });
  useLive(projectId, ['kits'], () => void mutate());
  const key = `kevlo-packing-${projectId}`;
  const [text] = useRemembered(key);
  // Read where it lies: what a page remembers of it may be older than what was done since.
  const acts = useCallback(() => keptList<Waiting>(key), [key]);
  const waiting = useMemo(() => listIn<Waiting>(text), [text]);
  const isSending = useRef(false);
  const isHere = useRef(true);
  const [isOffline, setIsOffline] = useState(false);
  const refuse = useRef(onRefused);
  useEffect(() => {
    refuse.current = onRefused;
  });
  useEffect(() => {
    isHere.current = true;
    return () => void (isHere.current = false);
  }, []);

  const put = useCallback((next: readonly Waiting[]) => void keep(key, JSON.stringify(next)), [key]);
  const take = useCallback(
    (kit: PackingKit) =>
      mutate((before = []) => [...before.filter((one) => !isBag(one, kit)), kit], { revalidate: false }),
    [mutate],
  );
  const flush = useCallback(async () => {
    if (isSending.current) return;
    isSending.current = true;
    let isTaken = false;
    try {
      for (let [first] = acts(); first; [first] = acts()) {
        const sent = first;
        try {
          const kit = await send<PackingKit>('POST', address, sent.act);
          setIsOffline(false);
          // Shown before it leaves the list of what waits: a count never jumps back.
          await take(kit);
          isTaken = true;
        } catch (error) {
          const refusal = asRefusal(error);
          // No answer, or a server that is not well: it stays, and is tried again.
          if (refusal.status === 0 || refusal.status >= 500) {
            setIsOffline(true);
            return;
          }
          setIsOffline(false);
          if (refusal.current) await take(refusal.current as PackingKit);
          refuse.current(refusal);
        }
        put(acts().filter(({ number }) => number !== sent.number));
      }
    } finally {
      isSending.current = false;
      // An answer that was on its way when ours was taken in was thrown away with what others did meanwhile.
      if (isTaken && isHere.current) void mutate();
    }
  }, [address, acts, put, take, mutate]);
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

  const act = (bag: Bag, what: PackingAct) => {
    const before = acts();
    const number = (before.at(-1)?.number ?? 0) + 1;
    put([...before, { number, act: { ...what, blockId: bag.blockId, makerId: bag.makerId } }]);
    void flush();
  };
  const kits = useMemo(() => new Map(known.map((kit) => [keyOf(kit), kit])), [known]);
  const unsent = useMemo(() => {
    const own = new Map<string, BagAct[]>();
    for (const { act: one } of waiting) own.set(keyOf(one), [...(own.get(keyOf(one)) ?? []), one]);
    return own;
  }, [waiting]);
  const kitOf = (bag: Bag): PackingKit => {
    const kit = kits.get(keyOf(bag)) ?? { ...bag, status: 'to-pack' as const, ticks: {}, holder: null, checkedBy: null };
    const own = unsent.get(keyOf(bag)) ?? [];
    const ticks = own.reduce<Ticks>((sum, one) => (one.kind === 'tick' ? mergeTicks(sum, one.ticks) : sum), kit.ticks);
    const isClosed = own.some(({ kind }) => kind === 'close');
    return { ...kit, ticks, status: isClosed && kit.status === 'to-pack' ? 'packed' : kit.status };
  };
  return { kitOf, act, waiting: waiting.length, isOffline };
} // prettier-ignore

/** Holds on to a bag for as long as it lies open. */
export function useHold(bag: Bag | undefined, isMine: boolean, hold: (bag: Bag) => void) {
  const latest = useRef(hold);
  useEffect(() => {
    latest.current = hold;
  });
  const [blockId, makerId] = [bag?.blockId, bag?.makerId];
  useEffect(() => {
    if (blockId === undefined || makerId === undefined || !isMine) return;
    const timer = setInterval(() => latest.current({ blockId, makerId }), HOLD_MS);
    return () => clearInterval(timer);
  }, [blockId, makerId, isMine]);
}
