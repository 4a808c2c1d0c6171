'use client';
import { wrap } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { BlockDocument } from '@/core/block';
import type { UnitSystem } from '@/core/length';
import { liveReport, type LiveReport, type Mend, type PaperGuess } from '@/core/workshop';
import type { WorkshopWorker } from '@/workers/workshopWorker';

/** Blocks up to this many patches are worked out at once, within a frame; larger ones off the main thread. */
const MOST_AT_ONCE = 200;
/** Mends and recognised papers are looked for once the hands rest this long, ms. */
const REST_MS = 350;

export interface WorkshopReport {
  readonly report: LiveReport | undefined;
  /** Whether `report` is of the document as it is now. */
  readonly isFresh: boolean;
  /** A mend for each of the first problems, where there is one. */
  readonly mends: readonly (Mend | undefined)[];
  readonly guesses: readonly PaperGuess[];
  readonly snap: (guesses: readonly PaperGuess[]) => Promise<BlockDocument | undefined>;
}

/** The seam report of the document as it is being made, with mends and recognised papers a moment later. */
export function useReport(document: BlockDocument, system: UnitSystem): WorkshopReport {
  const isSmall = document.patches.length <= MOST_AT_ONCE;
  const own = useMemo(
    () => (isSmall ? liveReport(document, system) : undefined),
    [document, system, isSmall],
  );
  const [far, setFar] = useState<{ document: BlockDocument; report: LiveReport } | undefined>();
  const [extras, setExtras] = useState<{
    document: BlockDocument;
    mends: readonly (Mend | undefined)[];
    guesses: readonly PaperGuess[];
  }>();
  const worker = useRef<{ worker: Worker; api: ReturnType<typeof wrap<WorkshopWorker>> } | null>(null);
  useEffect(() => {
    const one = new Worker(new URL('../../workers/workshopWorker.ts', import.meta.url), { type: 'module' });
    worker.current = { worker: one, api: wrap<WorkshopWorker>(one) };
    return () => one.terminate();
  }, []);
  useEffect(() => {
    let isOff = false;
    const timer = setTimeout(
      async () => {
        const api = worker.current?.api;
        if (!api || document.patches.length === 0) return;
        const report = own ?? (await api.report(document, system));
        if (isOff) return;
        if (!own) setFar({ document, report });
        const { problems } = report;
        const mends = problems.length > 0 ? await api.mends(document, { problems }) : [];
        if (isOff) return;
        const guesses = await api.guesses(document, system);
        if (!isOff) setExtras({ document, mends, guesses });
      },
      own ? REST_MS : 60,
    );
    return () => {
      isOff = true;
      clearTimeout(timer);
    };
  }, [document, system, own]);
  const isOfNow = extras?.document === document;
  return {
    report: own ?? far?.report,
    isFresh: own !== undefined || far?.document === document,
    mends: isOfNow ? extras.mends : [],
    guesses: isOfNow ? extras.guesses : [],
    snap: async (guesses) => worker.current?.api.snap(document, guesses),
  };
}
