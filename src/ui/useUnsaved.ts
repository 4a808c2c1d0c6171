'use client';
import { useEffect } from 'react';

const QUESTION = 'What you typed here is not saved. Leave it?';

/**
 * While something is typed and not saved, asks before the page is left: by a link, by a key that leads elsewhere, or by closing
 * the tab.
 */
export function useUnsaved(isUnsaved: boolean): void {
  useEffect(() => {
    if (!isUnsaved) return;
    const onClose = (event: BeforeUnloadEvent) => event.preventDefault();
    const onClick = (event: MouseEvent) => {
      const link = (event.target as Element | null)?.closest?.('a[href]');
      const isElsewhere = link && !link.hasAttribute('download') && link.getAttribute('target') !== '_blank';
      if (!isElsewhere || link.getAttribute('href')?.startsWith('#') || window.confirm(QUESTION)) return;
      event.preventDefault();
      event.stopPropagation();
    };
    window.addEventListener('beforeunload', onClose);
    document.addEventListener('click', onClick, true);
    document.documentElement.dataset.unsaved = 'yes';
    return () => {
      window.removeEventListener('beforeunload', onClose);
      document.removeEventListener('click', onClick, true);
      delete document.documentElement.dataset.unsaved;
    };
  }, [isUnsaved]);
}

/** Whether the page may be left: always, unless something unsaved is to be kept. For keys that lead to other pages. */
export function mayLeave(): boolean {
  return document.documentElement.dataset.unsaved === undefined || window.confirm(QUESTION);
}
