'use client';
import useSWR from 'swr';
import { counted } from '@/core/words';
import type { Approved, Message, MailTrouble, RemindersPage, Turn } from '@/server/reminders';
import { read, send } from '@/ui/api';
import { useNotice } from '@/ui/Notices';
import { useLive } from '@/ui/useLive';
import { useSend } from '@/ui/useSend';

/** Reminders of a project, kept up to date, and what can be done with them. */
export function useReminders(projectId: string, initial: RemindersPage) {
  const address = `/api/projects/${projectId}/reminders`;
  const { data: page = initial, mutate } = useSWR<RemindersPage>(address, read, { fallbackData: initial });
  const notice = useNotice();
  const { error, isBusy, run, settle } = useSend();
  const refresh = () => void mutate();
  useLive(projectId, ['reminders'], () => mutate());
  const act = (action: () => Promise<void>) =>
    run(async () => {
      await action();
      await mutate();
    });
  const post = <T>(body: object) => send<T>('POST', address, body);
  const turn = (to: Turn, messages: readonly Message[], says: string) =>
    act(async () => {
      const ids = messages.map(({ id }) => id);
      await post({ turn: to, ids });
      const undo = to === 'said' || to === 'aside' ? () => act(async () => void (await post({ turn: 'back', ids }))) : undefined; // prettier-ignore
      notice({ text: says, ...(undo ? { undo } : {}) });
    });
  return {
    page,
    error,
    isBusy,
    settle,
    refresh,
    turn,
    draft: (how: 'new' | 'anew') =>
      act(async () => {
        const { made } = await post<{ made: number }>({ draft: how });
        notice({ text: made === 0 ? 'Nothing new is due: everyone was told, or nobody needs to be.' : `${counted(made, 'reminder')} drafted. Nothing has left the house.` });
      }),
    approve: (messages: readonly Message[]) =>
      act(async () => {
        const approve = messages.map(({ id, revision }) => ({ id, revision }));
        const told = await post<Approved>({ approve });
        const ids = approve.map(({ id }) => id);
        notice({
          text: approvedWords(told),
          undo: () =>
            act(async () => {
              const { turned } = await post<{ turned: number }>({ turn: 'back', ids });
              const gone = told.queued - turned;
              notice({ text: `${counted(turned, 'reminder')} called back${gone > 0 ? `; ${gone} had left already` : ''}.` });
            }),
        });
      }),
    setTrouble: (trouble: MailTrouble) => act(async () => void (await post({ trouble }))),
    setContact: (makerId: string, contact: { email: string | null; timeZone: string | null }) =>
      act(async () => void (await send('PATCH', `/api/projects/${projectId}/makers/${makerId}`, { contact }))),
  };
} // prettier-ignore

export type OwnReminders = ReturnType<typeof useReminders>;

function approvedWords({ queued, noAddress, switchedOff, changed }: Approved): string {
  return [
    `${counted(queued, 'reminder')} on the way.`,
    ...(noAddress > 0 ? [`${noAddress} without an address.`] : []),
    ...(switchedOff > 0 ? [`${switchedOff} switched reminders off.`] : []),
    ...(changed > 0 ? [`${changed} changed meanwhile: look again.`] : []),
  ].join(' ');
}
