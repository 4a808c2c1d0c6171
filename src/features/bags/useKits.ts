'use client';
import { useMemo } from 'react';
import useSWR from 'swr';
import type { ChangedKits, Kit, KitStatus } from '@/server/bags';
import { counted } from '@/core/words';
import { asRefusal, read, send } from '@/ui/api';
import { useNotice } from '@/ui/Notices';
import { useLive } from '@/ui/useLive';

/** What a bag's status is called. */
export const STATUS_NAMES: Readonly<Record<KitStatus, string>> = {
  'to-pack': 'to pack',
  packed: 'packed',
  'handed-over': 'handed over',
};

/** The bags of a project, live for all who look, and ways of changing them: one, or many by one press, each with its undo. */
export function useKits(projectId: string, initial: readonly Kit[]) {
  const notice = useNotice();
  const address = `/api/projects/${projectId}/kits`;
  const { data: kits = initial, mutate } = useSWR<readonly Kit[]>(address, read, { fallbackData: initial });
  useLive(projectId, ['kits'], () => mutate());

  const byBag = useMemo(() => new Map(kits.map((kit) => [`${kit.blockId}/${kit.makerId}`, kit])), [kits]);
  const kitOf = (blockId: string, makerId: string): Kit =>
    byBag.get(`${blockId}/${makerId}`) ?? {
      blockId,
      makerId,
      status: 'to-pack',
      revision: 0,
      packedMark: null,
    };

  const take = (changed: readonly Kit[]) =>
    // Read again after it: news of what others did that was under way is thrown away by this.
    mutate((before = []) => [
      ...before.filter((other) => !changed.some((one) => isSameBag(one, other))),
      ...changed,
    ]);

  /** Changes bags, each to its own status. What someone else changed meanwhile stays as it is and is told. */
  const change = async (
    wishes: readonly Kit[],
    label: string,
    undone = `Taken back: ${label}`,
    isUndo = false,
  ): Promise<void> => {
    const before = wishes.map(({ blockId, makerId }) => kitOf(blockId, makerId));
    try {
      const bags = wishes.map(({ blockId, makerId, status, revision }) => ({
        blockId,
        makerId,
        status,
        revision,
      }));
      const { changed, refused } = await send<ChangedKits>('PUT', address, { bags });
      await take([...changed, ...refused]);
      const left =
        refused.length > 0
          ? ` ${counted(refused.length, 'bag')} changed by someone else meanwhile: left as it is now.`
          : '';
      const back = changed.map((kit) => ({
        ...kit,
        status: before.find((one) => isSameBag(one, kit))?.status ?? 'to-pack',
      }));
      notice({
        text: `${label}.${left}`,
        ...(isUndo || changed.length === 0 ? {} : { undo: () => change(back, undone, undone, true) }),
      });
    } catch (error) {
      notice({ text: asRefusal(error).message });
      void mutate();
    }
  };
  return { kitOf, change };
}

function isSameBag(a: Kit, b: Kit): boolean {
  return a.blockId === b.blockId && a.makerId === b.makerId;
}
