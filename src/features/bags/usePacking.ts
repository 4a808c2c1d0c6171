import { useCallback, useEffect, useMemo, useRef } from 'react';
import useSWR from 'swr';
import { mergeTicks, type Ticks } from '@/core/packing';
import type { BagAct, PackingAct, PackingKit } from '@/server/bags';
import { read, send, type RefusedError } from '@/ui/api';
import { useLive } from '@/ui/useLive';
import { useOutbox } from '@/ui/useOutbox';

/** A bag in the hand is held on to this often, ms: well before it would be let go of. */
const HOLD_MS = 60_000;

type Bag = { readonly blockId: string; readonly makerId: string };

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
  useLive(projectId, ['kits'], () => mutate());
  const take = useCallback(
    (kit: PackingKit) =>
      mutate((before = []) => [...before.filter((one) => !isBag(one, kit)), kit], { revalidate: false }),
    [mutate],
  );
  const { waiting, put, isOffline } = useOutbox<BagAct>({
    key: `kevlo-packing-${projectId}`,
    // Shown before it leaves the list of what waits: a count never jumps back.
    deliver: async (told) => void (await take(await send<PackingKit>('POST', address, told))),
    onRefused: async (refusal) => {
      if (refusal.current) await take(refusal.current as PackingKit);
      onRefused(refusal);
    },
    // An answer that was on its way when ours was taken in was thrown away with what others did meanwhile.
    onSent: () => void mutate(),
  });
  const act = (bag: Bag, what: PackingAct) => put({ ...what, blockId: bag.blockId, makerId: bag.makerId });
  const kits = useMemo(() => new Map(known.map((kit) => [keyOf(kit), kit])), [known]);
  const unsent = useMemo(() => {
    const own = new Map<string, BagAct[]>();
    for (const one of waiting) own.set(keyOf(one), [...(own.get(keyOf(one)) ?? []), one]);
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
