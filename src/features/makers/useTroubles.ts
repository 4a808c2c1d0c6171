'use client';
import useSWR from 'swr';
import type { ListedTrouble, Trouble, TroubleAct } from '@/server/troubles';
import { asRefusal, read, send } from '@/ui/api';
import { useNotice } from '@/ui/Notices';
import { useLive } from '@/ui/useLive';

/** Who is stuck, live, and what hosts and helpers do about it. */
export function useTroubles(projectId: string, initial: readonly ListedTrouble[]) {
  const notice = useNotice();
  const address = `/api/projects/${projectId}/troubles`;
  const { data: troubles = initial, mutate } = useSWR<readonly ListedTrouble[]>(address, read, { fallbackData: initial });
  useLive(projectId, ['troubles', 'makers', 'blocks'], () => mutate());

  /** Does one thing with a trouble. @returns whether it was done; else the reason is said */
  const act = async (trouble: Trouble, what: TroubleAct, done?: { text: string; undo?: TroubleAct }): Promise<boolean> => {
    try {
      await send<Trouble>('PATCH', address, { id: trouble.id, ...what });
      if (done) notice({ text: done.text, ...(done.undo ? { undo: () => act(trouble, done.undo as TroubleAct) } : {}) });
      await mutate();
      return true;
    } catch (error) {
      notice({ text: asRefusal(error).message });
      return false;
    }
  };

  /** Puts words to the step for everybody. */
  const note = async (trouble: Trouble, text: string): Promise<boolean> => {
    try {
      await send('POST', address, { id: trouble.id, text });
      notice({ text: 'It stands at this step on every maker’s page now. It is changed under Order of work.' });
      return true;
    } catch (error) {
      notice({ text: asRefusal(error).message });
      return false;
    }
  };
  return { troubles, act, note };
} // prettier-ignore

export type TroubleActions = Pick<ReturnType<typeof useTroubles>, 'act' | 'note'>;
