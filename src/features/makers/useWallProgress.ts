'use client';
import { useCallback, useMemo, useRef } from 'react';
import useSWR from 'swr';
import { unpackProgress, type BlockProgress, type PackedProgress } from '@/core/progress';
import { read } from '@/ui/api';
import { useLive } from '@/ui/useLive';

/** Of so many makers at once all is read again: it is less. */
const MOST_SINGLY = 12;

/**
 * How far everybody is, live. A tick reads its own maker again and nobody else; what is asked for goes one after the other, so that no
 * answer overtakes another and takes its news away.
 */
export function useWallProgress(projectId: string, packed: PackedProgress) {
  const address = `/api/projects/${projectId}/progress`;
  const initial = useMemo(() => unpackProgress(packed), [packed]);
  const all = async (from: string) => unpackProgress(await read<PackedProgress>(`${from}?form=packed`));
  // What came with the page is as new as can be.
  const { data = initial, mutate } = useSWR<readonly BlockProgress[]>(address, all, { fallbackData: initial, revalidateOnMount: false });
  const wanted = useRef<{ makers: Set<string>; isAll: boolean }>({ makers: new Set(), isAll: false });
  const isBusy = useRef(false);

  const work = useCallback(async () => {
    if (isBusy.current) return;
    isBusy.current = true;
    try {
      for (let { makers, isAll } = wanted.current; isAll || makers.size > 0; { makers, isAll } = wanted.current) {
        wanted.current = { makers: new Set(), isAll: false };
        if (isAll || makers.size > MOST_SINGLY) await mutate();
        else
          for (const id of makers) {
            const fresh = await read<BlockProgress[]>(`${address}?maker=${id}`);
            await mutate((before = initial) => [...before.filter((one) => one.makerId !== id), ...fresh], { revalidate: false });
          }
      }
    } catch {
      // Without an answer the wall stays as it is; whatever changes next, or the line that comes back, reads it again.
    } finally {
      isBusy.current = false;
    }
  }, [address, initial, mutate]);
  const refresh = useCallback(
    (makerId?: string) => {
      if (makerId === undefined) wanted.current.isAll = true;
      else wanted.current.makers.add(makerId);
      void work();
    },
    [work],
  );
  useLive(projectId, ['progress', 'makers', 'blocks'], refresh);
  return { progress: data, refresh };
} // prettier-ignore
