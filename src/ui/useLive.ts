'use client';
import { useEffect, useRef } from 'react';
import type { ChangeKind } from '@/server/notify';

/** Calls back when something of these kinds changes in a project, on whichever server; also after a lost connection. */
export function useLive(projectId: string, kinds: readonly ChangeKind[], onChange: () => void): void {
  const latest = useRef({ kinds, onChange });
  useEffect(() => {
    latest.current = { kinds, onChange };
  });
  useEffect(() => {
    const source = new EventSource(`/api/projects/${projectId}/live`);
    const tell = () => latest.current.onChange();
    source.addEventListener('change', (event: MessageEvent<ChangeKind>) => {
      if (latest.current.kinds.includes(event.data) || event.data === 'everything') tell();
    });
    source.addEventListener('ready', tell);
    return () => source.close();
  }, [projectId]);
}
