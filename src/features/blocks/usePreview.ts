'use client';
import { proxy, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { BagSettings } from '@/core/bags';
import type { ImportWorker, Preview } from '@/workers/importWorker';
import type { Colours, ReadOptions } from '@/workers/readDrawing';

export type PreviewState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'busy'; readonly share: number }
  | { readonly kind: 'ready'; readonly preview: Preview };

/**
 * Reads drawings in a worker: one at a time, the newest wins, cancel ends it at once.
 * @param known cloths of the project and their colours
 */
export function usePreview(settings: BagSettings, known: Colours) {
  const [state, setState] = useState<PreviewState>({ kind: 'idle' });
  const worker = useRef<Worker>(null);
  const cancel = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setState({ kind: 'idle' });
  }, []);
  useEffect(() => () => worker.current?.terminate(), []);
  const start = useCallback(
    async (svg: string, options: ReadOptions = {}) => {
      worker.current?.terminate();
      const own = new Worker(new URL('../../workers/importWorker.ts', import.meta.url), { type: 'module' });
      worker.current = own;
      setState({ kind: 'busy', share: 0 });
      const failed = new Promise<Preview>((resolve) => {
        own.onerror = () =>
          resolve({
            kind: 'refused',
            code: 'worker',
            what: 'The drawing could not be worked out.',
            mend: 'Reload the page and try again; a smaller drawing may help.',
          });
      });
      const onProgress = proxy((share: number) => {
        if (worker.current === own) setState({ kind: 'busy', share });
      });
      const preview = await Promise.race([
        wrap<ImportWorker>(own).preview(svg, options, settings, known, onProgress),
        failed,
      ]);
      if (worker.current !== own) return;
      own.terminate();
      worker.current = null;
      setState({ kind: 'ready', preview });
    },
    [settings, known],
  );
  return { state, start, cancel };
}
