'use client';
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import type { Maker, MakerChange, MakerGroup } from '@/server/makers';
import { asRefusal, send } from '@/ui/api';
import { useNotice } from '@/ui/Notices';
import type { MakerLink } from './LinkDialog';

/** What a host does with makers and groups; each change says so, with its undo. */
export function useRoster(projectId: string, onLinks: (links: readonly MakerLink[]) => void) {
  const router = useRouter();
  const notice = useNotice();
  const address = `/api/projects/${projectId}`;
  const patch = useCallback((maker: Maker, body: object) => send<{ link?: string | null }>('PATCH', `${address}/makers/${maker.id}`, body), [address]);
  /** @returns whether it was done; what the server refuses is said */
  const attempt = useCallback(
    (work: () => Promise<unknown>): Promise<boolean> =>
      work().then(
        () => {
          router.refresh();
          return true;
        },
        (error: unknown) => {
          notice({ text: asRefusal(error).message });
          return false;
        },
      ),
    [router, notice],
  );
  return {
    renew: (maker: Maker) =>
      attempt(async () => {
        const { link } = await patch(maker, { link: 'renew' });
        if (link) onLinks([{ name: maker.name, link }]);
      }),
    revoke: (maker: Maker) =>
      attempt(async () => {
        await patch(maker, { link: 'revoke' });
        notice({ text: `${maker.name}’s link no longer works. Give a new one when it is wanted.` });
      }),
    remove: (maker: Maker) =>
      attempt(async () => {
        await patch(maker, { isRemoved: true });
        notice({
          text: `${maker.name} is taken out.`,
          undo: () => attempt(() => patch(maker, { isRemoved: false })),
        });
      }),
    skip: (maker: Maker, blockId: string, isSkipped: boolean) => attempt(() => patch(maker, { skip: { blockId, isSkipped } })),
    erase: (maker: Maker) =>
      attempt(async () => {
        await patch(maker, { isErased: true });
        notice({ text: 'Erased. Their ticks go on to count as nobody’s.' });
      }),
    change: (maker: Maker, next: MakerChange, text: string) =>
      attempt(async () => {
        await patch(maker, { change: next });
        notice({ text, undo: () => attempt(() => patch(maker, { change: asBefore(maker, next) })) });
      }),
    addGroup: (name: string) => attempt(() => send('POST', `${address}/groups`, { name })),
    renameGroup: (group: MakerGroup, name: string) => attempt(() => send('PATCH', `${address}/groups`, { id: group.id, name })),
    removeGroup: (group: MakerGroup) =>
      attempt(async () => {
        await send('PATCH', `${address}/groups`, { id: group.id, isRemoved: true });
        notice({
          text: `The group ${group.name} is taken out; its makers stay.`,
          undo: () => attempt(() => send('PATCH', `${address}/groups`, { id: group.id, isRemoved: false })),
        });
      }),
  };
} // prettier-ignore

export type Roster = ReturnType<typeof useRoster>;

/** What a maker was like where something of it is changed. */
function asBefore(maker: Maker, next: MakerChange): MakerChange {
  return Object.fromEntries(Object.keys(next).map((key) => [key, maker[key as keyof MakerChange]]));
}
