'use client';
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import type { BlockDocument } from '@/core/block';
import { asRefusal, read, send } from '@/ui/api';
import { useNotice } from '@/ui/Notices';

/** A document changed, and what to say of it instead of what was to be said; or why it cannot be changed. */
export type DocumentChange =
  BlockDocument | { readonly document: BlockDocument; readonly says: string } | { readonly refused: string };

/** Changes the block's document as it is on the server now, tells of it, and offers to take it back. */
export function useDocumentChange(projectId: string, blockId: string) {
  const router = useRouter();
  const notice = useNotice();
  return useCallback(
    async (text: string, change: (document: BlockDocument) => DocumentChange) => {
      const path = `/api/projects/${projectId}/blocks/${blockId}/document`;
      let said = text;
      const put = async (make: (document: BlockDocument) => DocumentChange) => {
        const { document, revision } = await read<{ document: BlockDocument; revision: number }>(path);
        const made = make(document);
        if ('refused' in made) return void notice({ text: made.refused });
        if ('says' in made) said = made.says;
        await send('PUT', path, { document: 'says' in made ? made.document : made, revision });
        router.refresh();
        return document;
      };
      try {
        const before = await put(change);
        if (!before) return;
        const back = ({
          order: _order,
          basting: _basting,
          notes: _notes,
          ...rest
        }: BlockDocument): BlockDocument => ({
          ...rest,
          ...(before.order ? { order: before.order } : {}),
          ...(before.basting ? { basting: before.basting } : {}),
          ...(before.notes ? { notes: before.notes } : {}),
        });
        notice({ text: said, undo: () => void put(back) });
      } catch (error) {
        notice({ text: asRefusal(error).message });
      }
    },
    [projectId, blockId, router, notice],
  );
}
