import { ownThread, type BlockThread } from '@/core/thread';
import { useRemembered } from '@/ui/useRemembered';

/** What a needleful may be said to sew, mm. */
export const NEEDLEFUL_MM = { least: 20, most: 3000 } as const;

/** A block’s thread as this maker’s hand uses it, once they measured what a needleful of theirs sews; kept on their device. */
export function useOwnThread(makerId: string, thread: BlockThread) {
  const [text, keep] = useRemembered(`kevlo-needleful-${makerId}`);
  const sewedMm = Number(text);
  const isMeasured = sewedMm >= NEEDLEFUL_MM.least && sewedMm <= NEEDLEFUL_MM.most;
  return {
    thread: isMeasured ? ownThread(thread, sewedMm) : thread,
    isMeasured,
    /** Keeps a measurement; nothing puts the usual figures back. */
    measure: (mm: number | undefined) => keep(mm === undefined ? '' : String(mm)),
  };
}
