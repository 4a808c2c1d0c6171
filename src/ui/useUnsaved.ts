'use client';
import { useEffect } from 'react';

/** Forms of the page in which something is typed and not saved. */
let unsaved = 0;

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
    unsaved += 1;
    return () => {
      window.removeEventListener('beforeunload', onClose);
      document.removeEventListener('click', onClick, true);
      unsaved -= 1;
    };
  }, [isUnsaved]);
}

/** Whether the page may be left: always, unless something unsaved is to be kept. For keys that lead to other pages. */
export function mayLeave(): boolean {
  return unsaved === 0 || window.confirm(QUESTION);
}
