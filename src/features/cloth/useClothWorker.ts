import { wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef } from 'react';
import type { ClothWorker } from '@/workers/clothWorker';

/** One worker at a time for the cloth station: whoever begins something else ends what was begun before; leaving the page ends all. */
export function useClothWorker() {
  const worker = useRef<Worker>(null);
  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);
  useEffect(() => end, [end]);
  /** Begins a worker. `isStill` says whether it was not ended since. */
  const begin = useCallback((): { readonly api: Remote<ClothWorker>; readonly isStill: () => boolean } => {
    end();
    const own = new Worker(new URL('../../workers/clothWorker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    return { api: wrap<ClothWorker>(own), isStill: () => worker.current === own };
  }, [end]);
  return { begin, end };
}
