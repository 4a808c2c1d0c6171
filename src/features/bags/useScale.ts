import { useEffect, useState } from 'react';

/** Over this, windows of one browser hear a scale: `{"format":"kevlo.scale/1","grams":12.3,"isStable":true}`. */
export const SCALE_CHANNEL = 'kevlo-scale';
export const SCALE_FORMAT = 'kevlo.scale/1';

export interface ScaleReading {
  readonly format: typeof SCALE_FORMAT;
  readonly grams: number;
  /** Whether the load has come to rest. */
  readonly isStable: boolean;
}

/** What a scale shows, as long as one sends; what is no reading is passed over. */
export function useScale(): ScaleReading | undefined {
  const [reading, setReading] = useState<ScaleReading | undefined>();
  useEffect(() => {
    if (typeof BroadcastChannel === 'undefined') return;
    const channel = new BroadcastChannel(SCALE_CHANNEL);
    channel.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
      const { format, grams, isStable } = (data ?? {}) as Partial<ScaleReading>;
      if (format === SCALE_FORMAT && typeof grams === 'number' && Number.isFinite(grams) && typeof isStable === 'boolean')
        setReading({ format, grams, isStable });
    });
    return () => channel.close();
  }, []);
  return reading;
} // prettier-ignore
