'use client';
import { useEffect, useRef } from 'react';
import type { ChangeKind } from '@/server/notify';

/** How long to wait after a refusal before asking again, ms. */
const REFUSED_WAIT_MS = 5000;

/** Calls back when something of these kinds changes in a project, on whichever server; also after a lost connection. */
export function useLive(projectId: string, kinds: readonly ChangeKind[], onChange: () => void): void {
  const latest = useRef({ kinds, onChange });
  useEffect(() => {
    latest.current = { kinds, onChange };
  });
  useEffect(() => {
    let source: EventSource;
    let again: ReturnType<typeof setTimeout> | undefined;
    const tell = () => latest.current.onChange();
    const open = () => {
      source = new EventSource(`/api/projects/${projectId}/live`);
      source.addEventListener('change', (event: MessageEvent<ChangeKind>) => {
        if (latest.current.kinds.includes(event.data) || event.data === 'everything') tell();
      });
      source.addEventListener('ready', tell);
      // After a lost line the browser asks again by itself; after a refusal (a server just starting) it gives up.
      source.addEventListener('error', () => {
        if (source.readyState === EventSource.CLOSED) again = setTimeout(open, REFUSED_WAIT_MS);
      });
    };
    open();
    return () => {
      clearTimeout(again);
      source.close();
    };
  }, [projectId]);
}
