'use client';
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import type { BlockDocument } from '@/core/block';
import { mergeDocuments } from '@/core/workshop';
import { asRefusal, read, send } from '@/ui/api';
import { useNotice } from '@/ui/Notices';

/** A document changed, and what to say of it instead of what was to be said; or why it cannot be changed. */
export type DocumentChange =
  BlockDocument | { readonly document: BlockDocument; readonly says: string } | { readonly refused: string };

/** So often a change is made anew on what someone else saved in the same moment. */
const MOST_TRIES = 4;

/** Changes the block's document as it is on the server now, tells of it, and offers to take it back. */
export function useDocumentChange(projectId: string, blockId: string) {
  const router = useRouter();
  const notice = useNotice();
  return useCallback(
    async (text: string, change: (document: BlockDocument) => DocumentChange) => {
      const path = `/api/projects/${projectId}/blocks/${blockId}/document`;
      try {
        const done = await changeOnServer(path, change);
        if ('refused' in done) return notice({ text: done.refused });
        router.refresh();
        const { before, after, says = text } = done;
        // What others changed since stays: only what this change did is taken back.
        const back = (now: BlockDocument) => mergeDocuments(after, before, now).document;
        notice({ text: says, undo: () => changeOnServer(path, back).then(() => router.refresh()) });
      } catch (error) {
        notice({ text: asRefusal(error).message });
      }
    },
    [projectId, blockId, router, notice],
  );
}

/** Makes a change on the newest document, again where someone else was quicker. */
async function changeOnServer(path: string, change: (document: BlockDocument) => DocumentChange) {
  for (let tries = 1; ; tries++) {
    const { document: before, revision } = await read<{ document: BlockDocument; revision: number }>(path);
    const made = change(before);
    if ('refused' in made) return made;
    const after = 'says' in made ? made.document : made;
    try {
      await send('PUT', path, { document: after, revision });
      return { before, after, ...('says' in made ? { says: made.says } : {}) };
    } catch (error) {
      if (asRefusal(error).status !== 409 || tries === MOST_TRIES) throw error;
    }
  }
}
