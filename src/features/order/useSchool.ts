'use client';
import type { School } from '@/core/assembly';
import { withSchool } from '@/core/sheet';
import { useDocumentChange } from './useDocumentChange';

/** Orders the block by another school, with undo. */
export function useSchool(projectId: string, blockId: string): (school: School) => void {
  const change = useDocumentChange(projectId, blockId);
  return (school) =>
    void change('The order of work is changed. Ticks on joins that stay the same are kept.', (document) =>
      withSchool(document, school),
    );
}
