'use client';
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import type { BlockDocument } from '@/core/block';
import { mergeDocuments } from '@/core/workshop';
import { asRefusal, read, send } from '@/ui/api';
import { useNotice, useWorking } from '@/ui/Notices';

/** A document changed, and what to say of it instead of what was to be said; or why it cannot be changed. */
export type DocumentChange =
  BlockDocument | { readonly document: BlockDocument; readonly says: string } | { readonly refused: string };

/** So often a change is made anew on what someone else saved in the same moment. */
const MOST_TRIES = 4;

/** Documents of which a change is being worked out: another press meanwhile is not another wish. */
const underWay = new Set<string>();

/**
 * Changes the block's document as it is on the server now, tells of it, and offers to take it back. While a change is being
 * worked out, that is said, and further ones are not taken.
 * @returns a function that says whether the change was made
 */
export function useDocumentChange(projectId: string, blockId: string) {
  const router = useRouter();
  const notice = useNotice();
  const begin = useWorking();
  return useCallback(
    async (text: string, change: (document: BlockDocument) => DocumentChange): Promise<boolean> => {
      const path = `/api/projects/${projectId}/blocks/${blockId}/document`;
      if (underWay.has(path)) {
        notice({ text: 'The change before is still being worked out. Press again when it is done.' });
        return false;
      }
      underWay.add(path);
      const end = begin('Being worked out …');
      try {
        const done = await changeOnServer(path, change);
        if ('refused' in done) {
          notice({ text: done.refused });
          return false;
        }
        router.refresh();
        const { before, after, says = text } = done;
        // What others changed since stays: only what this change did is taken back.
        const back = (now: BlockDocument) => mergeDocuments(after, before, now).document;
        notice({ text: says, undo: () => changeOnServer(path, back).then(() => router.refresh()) });
        return true;
      } catch (error) {
        notice({ text: asRefusal(error).message });
        return false;
      } finally {
        underWay.delete(path);
        end();
      }
    },
    [projectId, blockId, router, notice, begin],
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
      const { status, code } = asRefusal(error);
      // What others have sewn is not changed by trying again.
      if (status !== 409 || code === 'touches-work' || tries === MOST_TRIES) throw error;
    }
  }
}
