import { useEffect, useRef, useState } from 'react';
import type { BlockDocument } from '@/core/block';
import { counted } from '@/core/words';
import type { Merged } from '@/core/workshop';
import { useNotice } from '@/ui/Notices';
import { takeDraft, useSaving, type SavedBlock } from './useSaving';
import { useWorkshop } from './useWorkshop';
import { useWorkshopKeys } from './useWorkshopKeys';

/** The block in the workshop: its edits, how it saves itself, and what it takes in from others and from this device. */
export function useWorkshopBlock(projectId: string, block: SavedBlock | undefined, firstFabric: string) {
  const notice = useNotice();
  const [known, setKnown] = useState(block);
  const shop = useWorkshop(block?.document, firstFabric, known?.id);
  const [clash, setClash] = useState<Merged | undefined>();

  const takeIn = (merged: Merged, rebase: (state: BlockDocument) => BlockDocument) => {
    shop.rebase(merged.document, rebase);
    if (merged.conflicts.length > 0) setClash(merged);
    else if (merged.theirChanges > 0)
      notice({
        text: `Someone else changed ${counted(merged.theirChanges, 'paper')}: taken in. Yours are kept.`,
      });
  };
  const saving = useSaving({
    projectId,
    initial: block,
    document: shop.document,
    isAsking: clash !== undefined,
    onMerged: takeIn,
    onCreated: (made) => {
      setKnown(made);
      window.history.replaceState(null, '', `/p/${projectId}/blocks/${made.id}/workshop`);
    },
  });
  const takeDraftIn = useRef((merged: Merged) => void merged);
  useEffect(() => {
    takeDraftIn.current = (merged) => {
      shop.takeKept(merged.document);
      notice({ text: 'What this device still held of this block is taken in again.' });
      if (merged.conflicts.length > 0) setClash(merged);
    };
  });
  useEffect(() => {
    // Only the browser knows what it kept: after the page stands.
    const timer = setTimeout(() => {
      const merged = block && takeDraft(block);
      if (merged) takeDraftIn.current(merged);
    });
    return () => clearTimeout(timer);
  }, [block]);
  useWorkshopKeys(shop);
  return { known, shop, saving, clash, setClash };
}
