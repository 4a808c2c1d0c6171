import { useEffect, useRef } from 'react';
import { isInField } from '@/ui/isInField';

/** Over this, windows of one browser hear what the scanner stand-in sends. */
export const SCANNER_CHANNEL = 'kevlo-scanner';

/**
 * Hears codes: a scanner that types like a keyboard reaches the field with the ref given back, wherever the focus is, unless someone types
 * in another field; the stand-in sends its codes from its own window.
 */
export function useScanner(onCode: (code: string) => void) {
  const field = useRef<HTMLInputElement>(null);
  const hear = useRef(onCode);
  useEffect(() => {
    hear.current = onCode;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key.length !== 1 || event.key === ' ' || event.ctrlKey || event.metaKey || event.altKey) return;
      if (isInField(event)) return;
      field.current?.focus();
    };
    window.addEventListener('keydown', onKey);
    const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(SCANNER_CHANNEL);
    channel?.addEventListener('message', ({ data }: MessageEvent<unknown>) => hear.current(String(data)));
    return () => {
      window.removeEventListener('keydown', onKey);
      channel?.close();
    };
  }, []);
  return field;
} // prettier-ignore
